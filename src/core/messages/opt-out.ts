/**
 * Reading an incoming message for what it instructs. The words are those that carriers in the United States require to
 * be honoured (CTIA Messaging Principles and Best Practices, 5.1.3); they count only when they are the whole message.
 */
const OPT_OUT_WORDS = new Set([
  'stop',
  'stopall',
  'stop all',
  'unsubscribe',
  'cancel',
  'end',
  'quit',
  'revoke',
  'opt out',
  'optout',
]);

/** True when the message, apart from case and punctuation, is one of the opt-out words. */
export function isOptOut(body: string): boolean {
  const bare = body
    .toLowerCase()
    .replace(/[^\p{L}\s]/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  return OPT_OUT_WORDS.has(bare) || OPT_OUT_WORDS.has(bare.replace(/ please$/, ''));
}

/** What the person wrote in a mail, without the quoted message below it and without a signature of more than the usual kind. */
export function ownWords(body: string): string {
  const lines = body.replace(/\r\n/g, '\n').split('\n');
  const quoteAt = lines.findIndex(
    (line, at) =>
      /^>/.test(line) ||
      /^On .{4,120}wrote:$/.test(`${line} ${lines[at + 1] ?? ''}`.trim()) ||
      /^On .{4,120}wrote:$/.test(line.trim()) ||
      /^-{2,}\s*Original message/i.test(line),
  );
  const own = (quoteAt < 0 ? lines : lines.slice(0, quoteAt)).join('\n').replace(/\n-- \n[\s\S]*$/, '');
  return own.trim();
}

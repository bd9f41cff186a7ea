/** What somebody wrote themselves in an email. */

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

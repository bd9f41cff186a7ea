/** What the first text to somebody must say: who writes, and how to have no more (47 CFR 64.1200(d)(4); CTIA Messaging Principles 5.1). */

/** The text, with what is missing of it added. @param agent by first name; the brokerage when nobody of ours is responsible */
export function withSender(text: string, agent: string, brokerage: string): string {
  const says = (words: string) => text.toLowerCase().includes(words.toLowerCase());
  const who = brokerage && !says(brokerage) ? (agent && agent !== brokerage ? `${agent}, ${brokerage}` : brokerage) : null;
  const out = /\bstop\b/i.test(text) ? null : 'Reply STOP to opt out.';
  if (!who && !out) return text;
  return [text.trim(), who && `- ${who}.`, out].filter(Boolean).join(' ');
}

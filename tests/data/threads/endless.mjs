/** A reader that never comes to an end, takes all memory, or fails: what the mail says decides. */
export default function read({ name, input, begun }) {
  if (name === 'ready') return { found: null };
  new Float64Array(begun)[0] = Date.now();
  const text = Buffer.from(input.raw).toString();
  if (text.includes('take all memory')) {
    const all = [];
    for (;;) all.push(new Array(10_000).fill(text.length + all.length + 0.5));
  }
  if (text.includes('fail')) throw new SyntaxError('Invalid regular expression');
  for (;;);
}

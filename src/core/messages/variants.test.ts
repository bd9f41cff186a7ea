/** Variants: what is one and what is not, what may be chosen, and that a seed always chooses the same. */
import fc from 'fast-check';
import { chooseVariant, countVariants, fillWords, groupsIn, listVariants, seededPick } from '.';

test('variants nest; a brace without a bar, an escaped field and one that is never closed are what they look like', () => {
  const text = '{Hello|Good {morning|day}} {{ first_name | default: "you" }}, {no choice} {a|b';
  expect(countVariants(text)).toBe(3);
  expect(listVariants(text, 10)).toEqual([
    'Hello {{ first_name | default: "you" }}, {no choice} {a|b',
    'Good morning {{ first_name | default: "you" }}, {no choice} {a|b',
    'Good day {{ first_name | default: "you" }}, {no choice} {a|b',
  ]);
  expect(groupsIn(text)).toEqual([
    { index: 0, options: ['Hello', 'Good {morning|day}'] },
    { index: 1, options: ['morning', 'day'] },
  ]);
  expect(listVariants('{a {b|c}', 5)).toEqual(['{a b', '{a c']);
  expect(listVariants('{% if team %}we | us{% endif %}', 5)).toEqual(['{% if team %}we | us{% endif %}']);
});

test('what is chosen is one of the wordings that are listed, and a seed chooses the same again', () => {
  const piece: fc.Arbitrary<string> = fc.letrec<{ text: string; group: string }>((tie) => ({
    text: fc.oneof({ depthSize: 'small' }, fc.constantFrom('a', 'b ', '{', '}', '|', '{{ city }}', ''), tie('group')),
    group: fc.array(tie('text'), { minLength: 2, maxLength: 3 }).map((options) => `{${options.join('|')}}`),
  })).text;
  fc.assert(
    fc.property(
      fc.array(piece, { maxLength: 4 }).map((parts) => parts.join('')),
      fc.string(),
      (text, seed) => {
        const chosen = chooseVariant(text, seededPick(seed));
        expect(chooseVariant(text, seededPick(seed))).toBe(chosen);
        fc.pre(countVariants(text) < 500);
        expect(listVariants(text, 1_000)).toContain(chosen);
      },
    ),
  );
});

test('each option goes to about as many; one group says nothing of another', () => {
  const counts = new Map<string, number>();
  for (let n = 0; n < 6_000; n += 1) {
    const one = chooseVariant('{a|b|c}{x|y}', seededPick(`e${n}-s3`));
    counts.set(one, (counts.get(one) ?? 0) + 1);
  }
  expect(counts.size).toBe(6);
  for (const n of counts.values()) expect(Math.abs(n - 1_000)).toBeLessThan(150);
});

test('a thousand braces that are never closed take no time worth counting', () => {
  const began = performance.now();
  expect(countVariants('{a|'.repeat(20_000))).toBe(1);
  expect(performance.now() - began).toBeLessThan(2_000);
});

test('the text and the blocks of an email have the same variants, and the picks say which', () => {
  const words = {
    subject: '{Homes|Houses} for you',
    text: '{Hello|Good day} Oda',
    plain: 'x',
    doc: { type: 'doc' as const, content: [{ type: 'paragraph', content: [{ type: 'text', text: '{Hello|Good day} Oda' }] }] },
  };
  for (let n = 0; n < 20; n += 1) {
    const { subject, text, html, picks } = fillWords(words, {}, { seed: `k${n}` });
    expect(html).toContain(`>${text}</p>`);
    expect(picks).toEqual([subject!.startsWith('Homes') ? 's0:0' : 's0:1', text.startsWith('Hello') ? 't0:0' : 't0:1']);
  }
});

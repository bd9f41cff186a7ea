/** The part of the bench of messages that needs no database: rendering with variants and fields, and the checks of a template beside 500 others, on one core. Prints JSON. */
import { checkWords, fillWords, mergeFields, shinglesOf, type Words } from '@/core/messages';

const WORDS: Words = {
  subject: '{Homes|Houses} in {{ city }}',
  text: '{Hello|Good morning|Good day} {{ first_name | default: "there" }}, {% if team %}we{% else %}I{% endif %} {saw|noticed} that you asked about {{ city }}. {When would suit you|May I call you} this week? {{ agent_first_name }} at {{ brokerage }}. Reply STOP to opt out.',
  plain: 'Hello from {{ brokerage }}. Reply STOP to opt out.',
};
const MESSAGES = 100_000;

const median = (numbers: number[]): number => [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)]!;
const thrice = (work: () => number): number => median([work(), work(), work()]);

function rendered(): number {
  const began = performance.now();
  for (let n = 0; n < MESSAGES; n += 1) {
    const fields = mergeFields({
      firstName: `Name${n}`,
      firstNames: `Name${n}`,
      lastName: 'Bench',
      town: n % 10 ? 'Saltmarsh' : null,
      agent: { firstName: 'Asta', name: 'Asta Lund', phone: '(564) 555-0101', email: 'asta@tern.example' },
      brokerage: 'Tern & Tiller Realty',
      team: true,
    });
    fillWords(WORDS, fields, { seed: `e${n}-s1` });
  }
  return MESSAGES / ((performance.now() - began) / 1000);
}

function checked(): number {
  const others = Array.from({ length: 500 }, (_, n) => ({
    id: String(n),
    name: `Template ${n}`,
    shingles: shinglesOf(
      `Number ${n} says ${'something about a street and its houses, the harbor and who walks there '.repeat(4)} ${n * 31}`,
    ),
  }));
  const began = performance.now();
  checkWords({ channel: 'text', words: WORDS, fields: [] }, others);
  return performance.now() - began;
}

console.log(
  JSON.stringify({
    messages_per_second: Math.round(thrice(rendered)),
    bound_messages: 20_000,
    check_beside_500_ms: Math.round(thrice(checked) * 10) / 10,
    bound_check_ms: 100,
  }),
);

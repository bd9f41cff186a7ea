/** First names that are one: the name somebody was given, what people make of it, and how it is spelled. */
import names from './given-names.json';

/** Of each name, the groups in which it stands. */
const GROUPS = new Map<string, number[]>();
names.groups.forEach((group, at) => {
  for (const name of group.split(' ')) GROUPS.set(name, [...(GROUPS.get(name) ?? []), at]);
});

/** Whether a first name is one that we know: two such names that are not one person's are two people's. @param name folded */
export const isKnownGiven = (name: string): boolean => GROUPS.has(name);

/** Endings that make the name of a woman, or of a child, of another's. */
const OTHER_ENDING = /^(?:a|e|i|o|y|ia|ie|ina|ine|ita|ito|etta|ette|ena|ya|ah)$/;
const LEAST_SHORT = 3;

/** A name that nobody else has, cut short: `eph` of `ephraim`. */
const isCutShort = (short: string, long: string): boolean =>
  short.length >= LEAST_SHORT && long.startsWith(short) && !isKnownGiven(short) && !OTHER_ENDING.test(long.slice(short.length));

const LEAST_TYPED = 6;
/** One letter mistyped in a long name of which one spelling is none that we know. */
const isMistyped = (one: string, other: string): boolean =>
  one.length >= LEAST_TYPED &&
  other.length >= LEAST_TYPED &&
  !(isKnownGiven(one) && isKnownGiven(other)) &&
  !OTHER_ENDING.test(one.slice(other.length)) &&
  !OTHER_ENDING.test(other.slice(one.length)) &&
  one.at(-1) === other.at(-1) &&
  isOneSlip(one, other);

/** Whether two first names may be one person’s: the same, short for each other, or mistyped. @param one folded @param other folded */
export const isSameGiven = (one: string, other: string): boolean =>
  one === other ||
  (GROUPS.get(one)?.some((group) => GROUPS.get(other)?.includes(group)) ?? false) ||
  isCutShort(one, other) ||
  isCutShort(other, one) ||
  isMistyped(one, other);

/** Whether one letter was left out, put in, exchanged or two that stand beside each other were turned round. */
export function isOneSlip(one: string, other: string): boolean {
  if (one === other || Math.abs(one.length - other.length) > 1) return false;
  let front = 0;
  while (one[front] === other[front]) front += 1;
  const [a, b] = [one.slice(front), other.slice(front)];
  return (
    a.slice(1) === b.slice(1) ||
    a.slice(1) === b ||
    a === b.slice(1) ||
    (a[0] === b[1] && a[1] === b[0] && a.slice(2) === b.slice(2))
  );
}

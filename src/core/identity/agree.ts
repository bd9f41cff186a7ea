/** Whether two names may be one person's. */
import { isOneSlip, isSameGiven } from './given-names';
import { writtenName, type NamedPerson, type WrittenName } from './written-name';

/**
 * - `same`: the given name and the family name are one
 * - `open`: nothing of one contradicts the other, one of them says less: an initial, a first name alone, nothing at all
 * - `doubtful`: one part agrees and another does not, as after a wedding
 * - `other`: two people
 */
export type Agreement = 'same' | 'open' | 'doubtful' | 'other';
const ORDER: readonly Agreement[] = ['same', 'open', 'doubtful', 'other'];
const best = (found: Agreement[]): Agreement => ORDER.find((one) => found.includes(one)) ?? 'other';
const worst = (...found: Agreement[]): Agreement => ORDER[Math.max(...found.map((one) => ORDER.indexOf(one)))]!;

/** @param one a whole name as it was written @param other the same */
export const namesAgree = (one: string, other: string): Agreement => agreement(writtenName(one), writtenName(other));

/** The same of names that were taken apart before. */
export function agreement(one: WrittenName, other: WrittenName): Agreement {
  if (one.kind === 'nobody' || other.kind === 'nobody') return 'open';
  if (one.kind === 'company' || other.kind === 'company')
    return companyNames(one).some((name) => companyNames(other).includes(name)) ? 'same' : 'other';
  if (one.kind === 'people' && other.kind === 'people')
    return best(one.people.flatMap((mine) => other.people.map((theirs) => peopleAgree(mine, theirs))));
  if (one.kind === 'family' && other.kind === 'family')
    return familiesAgree(one.family, other.family) === 'same' ? 'same' : 'other';
  const [family, people] = one.kind === 'family' ? [one.family, peopleOf(other)] : [familyOf(other), peopleOf(one)];
  return people.some((person) => person.family && familiesAgree(person.family, family) === 'same') ? 'doubtful' : 'other';
}
/** A company may be written like a person: `Heron Title`, and `Heron Title LLC`. */
const companyNames = (name: WrittenName): string[] =>
  name.kind === 'company' ? [name.name] : peopleOf(name).map(({ given, family }) => `${given} ${family}`.trim());
const familyOf = (name: WrittenName): string => (name.kind === 'family' ? name.family : '');
const peopleOf = (name: WrittenName): NamedPerson[] => (name.kind === 'people' ? name.people : []);

function peopleAgree(one: NamedPerson, other: NamedPerson): Agreement {
  if (one.title && other.title && one.title !== other.title) return 'other';
  const straight = worst(givensAgree(one, other), familiesAgree(one.family, other.family));
  const turned = isTurned(one, other) || isTurned(other, one) || isWithin(one, other) || isWithin(other, one) ? 'same' : 'other';
  const found = best([straight, turned, aloneAgrees(one, other), aloneAgrees(other, one), crossed(one, other)]);
  return worst(found, generationsAgree(one, other));
}

const generationsAgree = ({ generation: one }: NamedPerson, { generation: other }: NamedPerson): Agreement =>
  one === other ? 'same' : one && other ? 'other' : 'doubtful';

/** The given names are one person’s and the family names are not: somebody who married, or two of a first name. */
const crossed = (one: NamedPerson, other: NamedPerson): Agreement =>
  givensAgree(one, other) === 'same' && one.family && other.family ? 'doubtful' : 'other';

/** A name of one word, which may be a family name as well. */
const aloneAgrees = (one: NamedPerson, other: NamedPerson): Agreement =>
  !one.family && one.given && other.family && familiesAgree(one.given, other.family) === 'same' && one.given.length > 1
    ? 'open'
    : 'other';

/** `Zhang-Lin Wei` and `Wei Zhang-Lin`. */
const isTurned = (one: NamedPerson, other: NamedPerson): boolean =>
  Boolean(one.given && one.family) && `${one.given} ${one.family}` === `${other.family} ${other.given}`;

/** `Hoa Nguyen` within `Nguyen Thi Hoa`: every word of two or more stands in the other name too. */
function isWithin(one: NamedPerson, other: NamedPerson): boolean {
  const words = [...one.given.split(' '), ...one.family.split(' ')].filter(Boolean);
  const theirs = [...other.given.split(' '), ...other.family.split(' ')];
  return words.length > 1 && words.every((word) => word.length > 1 && theirs.includes(word));
}

function givensAgree(one: NamedPerson, other: NamedPerson): Agreement {
  if (!one.given || !other.given) return 'open';
  const [mine, theirs] = [
    [one.given, ...one.called],
    [other.given, ...other.called],
  ];
  return best(mine.flatMap((a) => theirs.map((b) => givenAgrees(a, b))));
}

function givenAgrees(one: string, other: string): Agreement {
  if (one.replaceAll(' ', '') === other.replaceAll(' ', '')) return 'same';
  const [a, b] = [one.split(' '), other.split(' ')];
  const first = wordAgrees(a[0]!, b[0]!);
  if (first === 'other' || a.length < 2 || b.length < 2) return first;
  return worst(first, wordAgrees(a[1]!, b[1]!) === 'other' ? 'doubtful' : 'same');
}

/** One word of a given name: known for the other, or its initial. */
function wordAgrees(one: string, other: string): Agreement {
  if (isSameGiven(one, other)) return 'same';
  const initial = one.length === 1 || other.length === 1;
  return initial && one[0] === other[0] ? 'open' : 'other';
}

const LEAST_TYPED = 5;
/** Family names that are one: the same words or some of them, written apart or together, mistyped by a letter. */
function familiesAgree(one: string, other: string): Agreement {
  if (!one || !other) return 'open';
  if (spelling(one) === spelling(other)) return 'same';
  const [a, b] = [one.split(' '), other.split(' ')];
  if (a.every((word) => b.includes(word)) || b.every((word) => a.includes(word))) return 'same';
  if (one.length === 1 || other.length === 1) return one[0] === other[0] ? 'open' : 'other';
  return one.length >= LEAST_TYPED && other.length >= LEAST_TYPED && isOneSlip(one, other) ? 'same' : 'other';
}

/** A name as the same in whatever letters: `Muellbach` for `Müllbach`, written in one. */
const spelling = (name: string): string => name.replaceAll(' ', '').replace(/([aou])e/g, '$1');

/** Which of those who have an address of somebody is that person. */
import { agreement } from './agree';
import { comparePrepared, preparedIdentity, type Comparison, type Identity, type PreparedIdentity } from './compare';
import { writtenName, type WrittenName } from './written-name';

/** Somebody who is known already. */
export interface KnownIdentity extends Identity {
  id: string;
  /** Names under which they wrote before. */
  formerNames: readonly string[];
}
/** The same, taken apart for comparing many with them. */
export interface PreparedKnown extends PreparedIdentity {
  id: string;
  formerNames: WrittenName[];
}
export const preparedKnown = (known: KnownIdentity): PreparedKnown => ({
  ...preparedIdentity(known),
  id: known.id,
  formerNames: known.formerNames.map(writtenName),
});

/** Somebody who is known, compared with who comes in. */
export interface Compared extends Comparison {
  id: string;
}
/** The decision about one who comes in. */
export interface Choice {
  /** The person it is; null for somebody new. */
  same: Compared | null;
  /** Who it may be, the likeliest first. */
  ask: Compared[];
  /** Others who have one of the addresses, the oldest first. */
  sharing: Compared[];
}

/**
 * A person is only who agrees with the name that stands there and with all under which they wrote before, so that no row of arrivals makes
 * one of two: a contact called Alex, to whom Alexander wrote, is not Alexandra. Those who agree otherwise are asked about.
 * @param known in the order of their age
 */
export function chooseIdentity(arrival: Identity, known: readonly PreparedKnown[]): Choice {
  const mine = preparedIdentity(arrival);
  const compared = known.map((one) => {
    const found = { ...comparePrepared(mine, one), id: one.id };
    const denied = found.verdict === 'same' && one.formerNames.some((name) => agreement(mine.name, name) === 'other');
    return denied ? { ...found, verdict: 'ask' as const } : found;
  });
  const likeliest = (a: Compared, b: Compared): number => weight(b) - weight(a);
  const [same = null] = compared.filter(({ verdict }) => verdict === 'same').sort(likeliest);
  return {
    same,
    ask: compared.filter(({ verdict }) => verdict === 'ask').sort(likeliest),
    sharing: compared.filter(({ id, shared }) => shared.length && id !== same?.id),
  };
}

/** How much speaks for it: an address that both have, then the name as it is written, then the rest. */
const weight = ({ shared, names, evidence }: Comparison): number =>
  shared.length * 100 +
  (names === 'same' ? 20 : names === 'open' ? 5 : 0) +
  (evidence.includes('name') ? 10 : 0) +
  evidence.length;

/** A name as it is known, completed by one that says more: a first name alone, an initial, nothing. */
export function fullerName(
  known: { first: string; last: string },
  told: { first: string; last: string },
): { first: string; last: string } {
  if (!known.first && !known.last) return told;
  const isInitial = /^\p{L}\.?$/u.test(known.first.trim());
  return {
    first: (isInitial || !known.first) && told.first && told.last ? told.first : known.first,
    last: known.last || (known.first ? told.last : ''),
  };
}

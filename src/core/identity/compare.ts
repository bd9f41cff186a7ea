/** Whether two descriptions are of one person: the one decision behind every door, every import, "Add lead" and every proposal to merge. */
import { agreement, type Agreement } from './agree';
import { isSameHome, type Home } from './home';
import { isPlaceholder } from './placeholder';
import { foldedName, writtenName, type WrittenName } from './written-name';

/** Somebody as they were written down. */
export interface Identity {
  /** The whole name; empty where none is known. */
  name: string;
  /** Phone numbers in E.164 and emails as `cleanEmail` gives them. */
  addresses: readonly string[];
  home: Home | null;
  /** `1961-04-02`, or `04-02` where the year is not known. */
  birthday: string | null;
}

/** What speaks for one person. */
export type Evidence = 'email' | 'phone' | 'name' | 'short_name' | 'home' | 'birthday' | 'mailbox';
/**
 * `same`: one person. `ask`: may be one person, which is for somebody to say. `different`: two people, who may share an address.
 */
export type IdentityVerdict = 'same' | 'ask' | 'different';
/** Two descriptions, compared. */
export interface Comparison {
  verdict: IdentityVerdict;
  names: Agreement;
  evidence: Evidence[];
  /** Addresses that both have and that are somebody's. */
  shared: string[];
}

/** Addresses that are no lead's: those of our own users, offices, doors and senders. */
export type OwnAddresses = (address: string) => boolean;
const NONE: OwnAddresses = () => false;

/** Those of some addresses by which a person may be known. */
export const tellingAddresses = (addresses: readonly string[], own: OwnAddresses = NONE): string[] =>
  addresses.filter((address) => !isPlaceholder(address) && !own(address));

/** An identity whose name was taken apart, for comparing it with many. */
export interface PreparedIdentity extends Omit<Identity, 'name'> {
  name: WrittenName;
  folded: string;
  boxes: string[];
}
const LEAST_BOX = 6;
export const preparedIdentity = ({ name, addresses, home, birthday }: Identity, own: OwnAddresses = NONE): PreparedIdentity => {
  const telling = tellingAddresses(addresses, own);
  const boxes = telling.filter((address) => address.includes('@')).map((email) => email.split('@')[0]!.replace(/[._+-]/g, ''));
  return {
    name: writtenName(name),
    folded: foldedName(name),
    addresses: telling,
    home,
    birthday,
    boxes: boxes.filter((box) => box.length >= LEAST_BOX),
  };
};

export const compareIdentities = (one: Identity, other: Identity, own: OwnAddresses = NONE): Comparison =>
  comparePrepared(preparedIdentity(one, own), preparedIdentity(other, own));

export function comparePrepared(one: PreparedIdentity, other: PreparedIdentity): Comparison {
  const shared = one.addresses.filter((address) => other.addresses.includes(address));
  const names = agreement(one.name, other.name);
  const birthdays = birthdaysAgree(one.birthday, other.birthday);
  const evidence: Evidence[] = [
    ...(shared.some((address) => address.includes('@')) ? (['email'] as const) : []),
    ...(shared.some((address) => !address.includes('@')) ? (['phone'] as const) : []),
    ...(names === 'same' ? [one.folded === other.folded ? ('name' as const) : ('short_name' as const)] : []),
    ...(isSameHome(one.home, other.home) ? (['home'] as const) : []),
    ...(birthdays === true ? (['birthday'] as const) : []),
    ...(one.boxes.some((box) => other.boxes.includes(box)) ? (['mailbox'] as const) : []),
  ];
  const verdict = birthdays === false ? 'different' : verdictOf(names, evidence);
  return { verdict, names, evidence, shared };
}

const AGREE: readonly Agreement[] = ['same', 'open'];
function verdictOf(names: Agreement, evidence: Evidence[]): IdentityVerdict {
  const has = (one: Evidence): boolean => evidence.includes(one);
  const addresses = Number(has('email')) + Number(has('phone'));
  if (addresses) {
    if (AGREE.includes(names)) return 'same';
    if (names === 'doubtful') return addresses === 2 ? 'same' : 'ask';
    return addresses === 2 ? 'ask' : 'different';
  }
  const near = has('home') || has('birthday') || has('mailbox');
  if (names === 'other') return 'different';
  return near && (names === 'same' || has('home') || has('birthday'))
    ? 'ask'
    : names === 'open' && has('mailbox')
      ? 'ask'
      : 'different';
}

/** True for one birthday, false for two, null where one is not known; a year that is missing says nothing. */
function birthdaysAgree(one: string | null, other: string | null): boolean | null {
  if (!one || !other) return null;
  const year = one.length === 10 && other.length === 10;
  return year ? one === other : one.slice(-5) === other.slice(-5);
}

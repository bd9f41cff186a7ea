/** Rows of a file that are one person, and rows that share a home: found while reading, with memory for keys only. */
import { ownCopy } from '../shared';
import { agreement, homeKey, homeOf, writtenName, type WrittenName } from '../identity';
import { folded } from './cell';
import type { ImportedPerson } from './person';

/** Who in a file may be one person, and who lives together. */
export interface Likeness {
  duplicates: { rows: number[]; by: 'email' | 'phone' | 'partner' }[];
  households: { rows: number[] }[];
  /** Addresses of several different people: each later row with one is doubtful. */
  shared: { address: string; rows: number[] }[];
}

type Kept = 'row' | 'first' | 'last' | 'emails' | 'phones' | 'uid' | 'partner' | 'partnerUid' | 'address';
interface Seen {
  row: number;
  name: WrittenName;
  home: string | null;
}
const isOther = (one: Seen, other: Seen): boolean => !['same', 'open'].includes(agreement(one.name, other.name));

/** People of one address, number or home that are compared with each other: a file of one value repeated would take the square of its rows. */
const MOST_COMPARED = 100;

/** Give it the people in the order of the file; ask `result` at the end. */
export class LikenessFinder {
  private readonly byEmail = new Map<string, Seen[]>();
  private readonly byPhone = new Map<string, Seen[]>();
  private readonly byHome = new Map<string, Seen[]>();
  private readonly byUid = new Map<string, Seen>();
  private readonly partners: { row: number; name: string; addresses: string[]; uid: string | null; home: string | null }[] = [];
  private readonly names = new Map<string, Seen[]>();
  private readonly groups = new Map<string, { rows: Set<number>; by: 'email' | 'phone' | 'partner' }>();
  private readonly homes: Set<number>[] = [];
  private readonly shared = new Map<string, number[]>();

  /** Looks at one more person, and keeps of them copies only: whole rows of the file would stay in memory with them. */
  see({ row, first, last, emails, phones, uid, partner, partnerUid, address }: ImportedPerson): void {
    this.keep(ownCopy({ row, first, last, emails, phones, uid, partner, partnerUid, address }));
  }

  private keep(person: Pick<ImportedPerson, Kept>): void {
    const lives = homeOf(person.address?.street, person.address?.city, person.address?.postalCode);
    const home = lives && homeKey(lives);
    const seen: Seen = { row: person.row, name: writtenName(`${person.first} ${person.last}`), home };
    for (const email of person.emails) this.compare(this.byEmail, email, seen, 'email');
    for (const phone of person.phones) this.compare(this.byPhone, phone, seen, 'phone');
    if (home) push(this.byHome, home, seen);
    if (person.uid) this.byUid.set(person.uid, seen);
    push(this.names, folded(`${person.first} ${person.last}`), seen);
    if (person.partner || person.partnerUid)
      this.partners.push({
        row: person.row,
        name: person.partner ? folded(`${person.partner.first} ${person.partner.last}`) : '',
        addresses: [...(person.partner?.emails ?? []), ...(person.partner?.phones ?? [])],
        uid: person.partnerUid,
        home,
      });
  }

  private compare(index: Map<string, Seen[]>, value: string, seen: Seen, by: 'email' | 'phone'): void {
    /* Whatever has been met a hundred times says what it is by the first of them. */
    const compared = index.get(value)?.slice(0, MOST_COMPARED);
    push(index, value, seen);
    if (!compared) return;
    const one = compared.find((other) => !isOther(other, seen));
    if (!one) {
      const others = compared.filter((other) => other.home !== null && other.home === seen.home);
      this.shared.set(value, [...(this.shared.get(value) ?? compared.map(({ row }) => row)), seen.row].slice(-MOST_COMPARED - 1));
      if (others.length) this.homes.push(new Set([others[0]!.row, seen.row]));
      return;
    }
    const key = `${by} ${value} ${one.row}`;
    const group = this.groups.get(key) ?? { rows: new Set([one.row]), by };
    group.rows.add(seen.row);
    this.groups.set(key, group);
  }

  result(): Likeness {
    const groups = merged([...this.groups.values()]);
    for (const partner of this.partners) {
      const linked = partner.uid ? this.byUid.get(partner.uid) : undefined;
      if (linked) {
        this.homes.push(new Set([partner.row, linked.row]));
        continue;
      }
      const byAddress = partner.addresses.flatMap((address) => [
        ...(this.byEmail.get(address) ?? []),
        ...(this.byPhone.get(address) ?? []),
      ]);
      const byName = partner.name.includes(' ')
        ? (this.names.get(partner.name) ?? []).filter((one) => !partner.home || !one.home || one.home === partner.home)
        : [];
      const other = [...byAddress, ...byName].find((one) => one.row !== partner.row);
      if (!other) continue;
      const rows = [partner.row, other.row].sort((a, b) => a - b);
      if (!groups.some((group) => group.by === 'partner' && same(group.rows, rows))) groups.push({ rows, by: 'partner' });
      this.homes.push(new Set(rows));
    }
    const one = new Map<number, number>();
    for (const group of groups) if (group.by !== 'partner') for (const row of group.rows) one.set(row, group.rows[0]!);
    for (const all of this.byHome.values()) {
      const people = all.slice(0, MOST_COMPARED);
      const different = people.filter(
        (person, at) =>
          people.findIndex((other) => (one.get(other.row) ?? other.row) === (one.get(person.row) ?? person.row)) === at,
      );
      if (different.length > 1 && different.some((person) => isOther(person, different[0]!)))
        this.homes.push(new Set(different.map(({ row }) => row)));
    }
    return {
      duplicates: groups.sort((a, b) => a.rows[0]! - b.rows[0]!),
      households: joined(this.homes).map((rows) => ({ rows })),
      shared: [...this.shared].map(([address, rows]) => ({ address, rows })),
    };
  }
}

const push = <K, V>(map: Map<K, V[]>, key: K, value: V): void => {
  const list = map.get(key);
  if (list) list.push(value);
  else map.set(key, [value]);
};
const same = (a: number[], b: number[]): boolean => a.length === b.length && a.every((row, at) => row === b[at]);

/** Groups that share a row become one. */
function merged(groups: { rows: Iterable<number>; by: 'email' | 'phone' | 'partner' }[]): Likeness['duplicates'] {
  const byRow = new Map<number, { rows: Set<number>; by: 'email' | 'phone' | 'partner' }>();
  for (const { rows, by } of groups) {
    const whole = { rows: new Set(rows), by };
    for (const known of new Set([...whole.rows].map((row) => byRow.get(row)).filter((one) => one !== undefined))) {
      known.rows.forEach((row) => whole.rows.add(row));
      whole.by = known.by;
    }
    whole.rows.forEach((row) => byRow.set(row, whole));
  }
  return [...new Set(byRow.values())].map(({ rows, by }) => ({ rows: [...rows].sort((a, b) => a - b), by }));
}

const joined = (homes: Set<number>[]): number[][] =>
  merged(homes.map((rows) => ({ rows, by: 'partner' as const })))
    .map(({ rows }) => rows)
    .sort((a, b) => a[0]! - b[0]!);

/** The people of a chunk as units of work: each row is one, and each partner named in it another; who is who, here and within the chunk. */
import { chooseIdentity, homeOf, namesAgree, preparedKnown, type Identity, type PreparedKnown } from '@/core/identity';
import type { ImportedPerson } from '@/core/imports';
import { listHolders, type KnownPerson } from '../contacts';
import { nameSql, type Tx } from '../shared';

export interface ImportUnit {
  person: ImportedPerson;
  /** 0 for the row's own person, 1 for the partner. */
  part: 0 | 1;
  /** The contact it is, or will be; several units may be one contact. */
  contactId: string | null;
  /** True when the contact is made by this unit. */
  isNew: boolean;
  /** For a partner: the unit of the row's own person; and the other way round. */
  other: ImportUnit | null;
}

/** A partner as a person of their own: their addresses and birthday, and the home and roles of the other. */
function partnerOf(person: ImportedPerson): ImportedPerson {
  const partner = person.partner!;
  return {
    ...person,
    first: partner.first,
    last: partner.last,
    company: null,
    emails: partner.emails,
    phones: partner.phones,
    extensions: {},
    fax: null,
    propertyAddress: null,
    birthday: partner.birthday,
    notes: null,
    custom: {},
    permissions: {},
    partner: null,
    doubts: [],
  };
}

export function unitsOf(people: ImportedPerson[]): ImportUnit[] {
  return people.flatMap((person) => {
    const main: ImportUnit = { person, part: 0, contactId: null, isNew: false, other: null };
    if (!person.partner?.first) return [main];
    const partner: ImportUnit = { person: partnerOf(person), part: 1, contactId: null, isNew: false, other: main };
    main.other = partner;
    return [main, partner];
  });
}

interface HouseholdMember {
  of: string;
  id: string;
  name: string;
}

/**
 * Says of each unit which contact it is: somebody who has an address of the database or of the chunk and whose name agrees, a partner also by
 * name in the same household. The rest is new and may share an address; `alwaysNew` asks for new ones only.
 */
export async function assign(tx: Tx, accountId: string, units: ImportUnit[], alwaysNew: boolean): Promise<void> {
  if (!alwaysNew) {
    await assignKnown(tx, accountId, units);
    await assignPartners(tx, units);
  }
  const fresh = await newIds(tx, units.filter((unit) => !unit.contactId).length);
  const here = new Holders();
  for (const unit of units) {
    if (!unit.contactId) {
      const same = alwaysNew ? null : (here.sameAs(unit) ?? partnerHere(unit, units));
      unit.contactId = same ?? fresh.pop()!;
      unit.isNew = !same;
    }
    if (!alwaysNew) here.add(unit);
  }
}

async function assignKnown(tx: Tx, accountId: string, units: ImportUnit[]): Promise<void> {
  const known = await listHolders(tx, accountId, [...new Set(units.flatMap(addressesOf))]);
  const byAddress = new Map<string, KnownPerson[]>();
  for (const person of known) for (const address of person.addresses) push(byAddress, address, person);
  for (const unit of units) unit.contactId = chosen(unit, byAddress);
}

async function assignPartners(tx: Tx, units: ImportUnit[]): Promise<void> {
  const mains = [...new Set(units.filter((unit) => unit.part === 0 && unit.contactId).map((unit) => unit.contactId!))];
  if (!mains.length) return;
  const members = await tx.rows<HouseholdMember>(
    `select c.id as of, o.id, ${nameSql('o')} as name from contacts c join contacts o on o.household_id = c.household_id and o.id <> c.id and o.deleted_at is null where c.id = any($1::bigint[])`,
    [mains],
  );
  for (const unit of units)
    if (unit.part === 1 && !unit.contactId && unit.other!.contactId)
      unit.contactId = members.find((member) => member.of === unit.other!.contactId && isNamed(member.name, unit))?.id ?? null;
}

const addressesOf = ({ person }: ImportUnit): string[] => [...person.emails, ...person.phones];
const nameOf = ({ person }: ImportUnit): string => `${person.first} ${person.last}`.trim() || (person.company ?? '');
const isNamed = (name: string, unit: ImportUnit): boolean => ['same', 'open'].includes(namesAgree(name, nameOf(unit)));
const push = <K, V>(map: Map<K, V[]>, key: K, value: V): void => void map.set(key, [...(map.get(key) ?? []), value]);

const identityOf = (unit: ImportUnit): Identity => {
  const { address, birthday } = unit.person;
  return {
    name: nameOf(unit),
    addresses: addressesOf(unit),
    home: homeOf(address?.street, address?.city, address?.postalCode),
    birthday,
  };
};

/** Whoever of those who have its addresses a unit is. */
function chosen(unit: ImportUnit, byAddress: Map<string, PreparedKnown[]>): string | null {
  const known = [...new Set(addressesOf(unit).flatMap((address) => byAddress.get(address) ?? []))];
  return known.length
    ? (chooseIdentity(
        identityOf(unit),
        known.sort((a, b) => Number(a.id) - Number(b.id)),
      ).same?.id ?? null)
    : null;
}

/** More people of one address in a chunk are not compared with each other. */
const MOST_COMPARED = 100;
/** The people of the chunk that were looked at already, by their addresses. */
class Holders {
  private readonly byAddress = new Map<string, PreparedKnown[]>();

  sameAs(unit: ImportUnit): string | null {
    return chosen(unit, this.byAddress);
  }

  add(unit: ImportUnit): void {
    const known = preparedKnown({ ...identityOf(unit), id: unit.contactId!, formerNames: [] });
    for (const address of addressesOf(unit)) {
      const holders = this.byAddress.get(address) ?? [];
      if (holders.length < MOST_COMPARED) this.byAddress.set(address, [...holders, known]);
    }
  }
}

/** The partner of the same row pair, met from the other side earlier in the chunk. */
const partnerHere = (unit: ImportUnit, units: ImportUnit[]): string | null => {
  if (!unit.other?.contactId) return null;
  const twin = units.find(
    (one) =>
      one !== unit &&
      one.other &&
      one.other !== unit &&
      one.other.contactId === unit.other!.contactId &&
      one.contactId &&
      isNamed(nameOf(one), unit),
  );
  return twin?.contactId ?? null;
};

async function newIds(tx: Tx, count: number): Promise<string[]> {
  if (!count) return [];
  const rows = await tx.rows<{ id: string }>(
    `select nextval(s.name)::text as id from (select pg_get_serial_sequence('contacts', 'id') as name offset 0) s, generate_series(1, $1::int)`,
    [count],
  );
  return rows.map(({ id }) => id).reverse();
}

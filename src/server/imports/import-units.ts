/** The people of a chunk as units of work: each row is one, and each partner named in it another; who is who, here and within the chunk. */
import { sameFirst, type ImportedPerson } from '@/core/imports';
import type { Tx } from '../shared';

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
  first_name: string;
  last_name: string;
}

/** Says of each unit which contact it is: by an address of the database or of the chunk, a partner also by name in the same household. The rest is new, unless `always` asks for new ones. */
export async function assign(tx: Tx, accountId: string, units: ImportUnit[], alwaysNew: boolean): Promise<void> {
  const addresses = [...new Set(units.flatMap(({ person }) => [...person.emails, ...person.phones]))];
  const known = await tx.rows<{ value: string; contact_id: string }>(
    `select p.value, p.contact_id from unnest($2::text[]) a (value)
     join contact_points p on p.account_id = $1 and p.kind = case when a.value like '%@%' then 'email' else 'phone' end and p.value = a.value and p.active`,
    [accountId, addresses],
  );
  const here = new Map<string, string>(known.map(({ value, contact_id }) => [value, contact_id]));
  if (!alwaysNew) for (const unit of units) unit.contactId = mostOf(unit, here);
  const mains = [...new Set(units.filter((unit) => unit.part === 0 && unit.contactId).map((unit) => unit.contactId!))];
  const members = alwaysNew
    ? []
    : await tx.rows<HouseholdMember>(
        `select c.id as of, o.id, o.first_name, o.last_name from contacts c join contacts o on o.household_id = c.household_id and o.id <> c.id and o.deleted_at is null where c.id = any($1::bigint[])`,
        [mains],
      );
  for (const unit of units)
    if (!alwaysNew && unit.part === 1 && !unit.contactId && unit.other!.contactId)
      unit.contactId = members.find((member) => member.of === unit.other!.contactId && sameName(member, unit))?.id ?? null;
  const fresh = await newIds(tx, units.filter((unit) => !unit.contactId).length);
  const local = new Map<string, string>();
  for (const unit of units) {
    if (unit.contactId) continue;
    const same = alwaysNew ? null : (mostOf(unit, local) ?? partnerHere(unit, units));
    unit.contactId = same ?? fresh.pop()!;
    unit.isNew = !same;
    for (const address of [...unit.person.emails, ...unit.person.phones])
      if (!here.has(address) && !local.has(address)) local.set(address, unit.contactId);
  }
}

const mostOf = ({ person }: ImportUnit, owners: Map<string, string>): string | null => {
  const votes = new Map<string, number>();
  for (const address of [...person.emails, ...person.phones]) {
    const owner = owners.get(address);
    if (owner) votes.set(owner, (votes.get(owner) ?? 0) + 1);
  }
  return [...votes].sort((a, b) => b[1] - a[1] || Number(a[0]) - Number(b[0]))[0]?.[0] ?? null;
};
const sameName = (member: HouseholdMember, { person }: ImportUnit): boolean =>
  sameFirst(member.first_name, person.first) && (!person.last || member.last_name.toLowerCase() === person.last.toLowerCase());

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
      sameFirst(one.person.first, unit.person.first),
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

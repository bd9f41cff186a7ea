/** People who have some addresses, as they are compared with whoever comes in. */
import { homeOf, preparedKnown, type PreparedKnown } from '@/core/identity';
import { nameSql, type Tx } from '../shared';

/** Of more people who share one address only those are looked at who have the family name, and then the oldest. */
const MOST_HOLDERS = 200;
const FORMER_NAMES = 20;

/** A person as they are compared, read from a contact `c` with its addresses. */
export interface IdentityRow {
  id: string;
  name: string;
  street: string | null;
  city: string | null;
  postal_code: string | null;
  addresses: string[];
  birthday: string | null;
}
interface KnownRow extends IdentityRow {
  former: string[];
}
/** A person with the name they are known by. */
export interface KnownPerson extends PreparedKnown {
  called: string;
}

/** `1961-04-02` of a contact `c`, in SQL; `04-02` where the year is not known. */
const BIRTHDAY = `(select case when d.year is null then '' else lpad(d.year::text, 4, '0') || '-' end || to_char(d.month_day / 100, 'FM00') || '-' || to_char(d.month_day % 100, 'FM00')
  from contact_dates d where d.contact_id = c.id and d.kind = 'birthday' order by d.id limit 1)`;

/** What an identity needs of a contact `c` beside its addresses. */
export const IDENTITY = `c.id, coalesce(nullif(${nameSql('c')}, ''), c.company, '') as name, c.street, c.city, c.postal_code, ${BIRTHDAY} as birthday`;

/**
 * Those who have one of some addresses, the oldest first.
 * @param addresses in E.164 or small letters
 * @param family the family name of whoever comes in, where many share an address
 */
export async function listHolders(tx: Tx, accountId: string, addresses: readonly string[], family = ''): Promise<KnownPerson[]> {
  if (!addresses.length) return [];
  const rows = await tx.rows<KnownRow>(
    `with holder as (
       select x.contact_id, array_agg(a.value) as addresses from unnest($2::text[]) a (value)
       cross join lateral (select p.contact_id from contact_points p join contacts n on n.id = p.contact_id
         where p.account_id = $1 and p.kind = case when a.value like '%@%' then 'email' else 'phone' end and p.value = a.value and p.active
         order by lower(n.last_name) = lower($3) desc, p.contact_id limit ${MOST_HOLDERS}) x group by x.contact_id)
     select ${IDENTITY}, h.addresses, array(
         select distinct concat_ws(' ', i.parsed->>'firstName', i.parsed->>'lastName') from (select parsed from inquiries where contact_id = c.id order by arrived_at desc limit ${FORMER_NAMES}) i) as former
     from holder h join contacts c on c.id = h.contact_id order by c.id`,
    [accountId, addresses, family],
  );
  return rows.map((row) => ({
    ...preparedKnown({ ...row, home: homeOf(row.street, row.city, row.postal_code), formerNames: row.former }),
    called: row.name,
  }));
}

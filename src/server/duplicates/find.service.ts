/** Looking for people who stand in the database twice: exactly, by an address, or likely, blocked by postal code or town with the sound of the last name and then compared. The worker does it; the pairs wait for a person. */
import type { DuplicateReason, DuplicateScanView } from '@/core/duplicates';
import { comparePrepared, homeOf, preparedIdentity, type PreparedIdentity } from '@/core/identity';
import { scopeFor, type Principal } from '@/core/accounts';
import { IDENTITY, type IdentityRow } from '../contacts';
import { enqueue, now, reader, transact, type Tx } from '../shared';

/** More pairs than these nobody reviews in one go; the surest come first. */
const MOST_PAIRS = 20_000;

/** So many of one sound in one place are compared with each other; of more only those whose first names begin alike, and of more still only those of the same name. */
const COMPARED = 400;

/** People with the same sound of name in the same place, and why they may be one. Its cost grows with the people, not with the square of a place. */
const LIKELY = `with said as materialized (
    select id, postal_code, lower(unaccent(first_name)) as first, lower(unaccent(last_name)) as last, lower(coalesce(street, '')) as street, lower(coalesce(city, '')) as city,
      coalesce(nullif(postal_code, ''), lower(city)) || ' ' || dmetaphone(last_name) as place
    from contacts where account_id = $1 and deleted_at is null and last_name <> '' and first_name <> '' and coalesce(nullif(postal_code, ''), city) is not null),
  sized as (select *, count(*) over (partition by place) as here, count(*) over (partition by place, left(first, 2)) as alike from said),
  person as materialized (select *, case when here <= ${COMPARED} then place when alike <= ${COMPARED} then place || ' ' || left(first, 2) else place || ' ' || first || ' ' || last end as block from sized)
  select a.id as one_id, b.id as other_id, array_remove(array[
      case when a.first = b.first and a.last = b.last then 'same_name' when a.first = b.first or levenshtein_less_equal(left(a.first, 60), left(b.first, 60), 1) <= 1 then 'like_name' else 'short_name' end,
      case when a.street <> '' and a.street = b.street then 'same_home' end,
      case when a.postal_code = b.postal_code then 'same_postal' when a.city = b.city then 'same_town' end], null) as reasons,
    (case when a.first = b.first and a.last = b.last then 0.6 when a.first = b.first then 0.45 else 0.3 end + case when a.street <> '' and a.street = b.street then 0.35 when a.postal_code = b.postal_code then 0.1 else 0 end)::real as score
  from person a join person b on b.block = a.block and b.id > a.id
  where (a.first = b.first or (length(a.first) > 2 and b.first like a.first || '%') or (length(b.first) > 2 and a.first like b.first || '%') or (length(a.first) > 3 and levenshtein_less_equal(left(a.first, 60), left(b.first, 60), 1) <= 1))
    and levenshtein_less_equal(left(a.last, 60), left(b.last, 60), 2) <= 2
    and not (a.street <> '' and b.street <> '' and a.street <> b.street and a.first <> b.first)
    and not exists (select 1 from not_duplicates n where n.one_id = a.id and n.other_id = b.id)`;

/** An address that more than these have says nothing about who they are. */
const MOST_SHARING = 20;
/** People who have an address in common, or for one of whom it is only noted. */
const SHARING = `select least(p.contact_id, q.contact_id) as one_id, greatest(p.contact_id, q.contact_id) as other_id, array['same_' || p.kind] as reasons, 1::real as score
  from (select kind, value from contact_points where account_id = $1 group by kind, value having count(distinct contact_id) between 2 and ${MOST_SHARING}) v
  join contact_points p on p.account_id = $1 and p.kind = v.kind and p.value = v.value
  join contact_points q on q.account_id = $1 and q.kind = v.kind and q.value = v.value and q.contact_id > p.contact_id and (q.active or p.active)
  join contacts a on a.id = p.contact_id and a.deleted_at is null join contacts b on b.id = q.contact_id and b.deleted_at is null
  where not exists (select 1 from not_duplicates n where n.one_id = least(a.id, b.id) and n.other_id = greatest(a.id, b.id))`;

/** Each pair once, with all its reasons; the surest first. */
const PAIRS = `select one_id, other_id, array_agg(distinct reason) as reasons, max(score) as score
  from ((${LIKELY} order by score desc limit ${MOST_PAIRS}) union all (${SHARING} limit ${MOST_PAIRS})) pair, unnest(reasons) reason group by 1, 2 order by 4 desc limit ${MOST_PAIRS}`;

interface Pair {
  one_id: string;
  other_id: string;
  reasons: DuplicateReason[];
  score: number;
}

export async function requestDuplicateScan(principal: Principal): Promise<DuplicateScanView> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    await tx.run(
      `insert into duplicate_scans (account_id, state, asked_at) values ($1, 'waiting', $2) on conflict (account_id) do update set state = 'waiting', asked_at = excluded.asked_at, error = null where duplicate_scans.state not in ('waiting','running')`,
      [accountId, await now(tx)],
    );
    await enqueue(tx, 'duplicates.find', { accountId }, { key: `duplicates ${accountId}` });
  });
  return findDuplicateScan(accountId);
}

export async function findDuplicateScan(accountId: string, tx: Tx = reader()): Promise<DuplicateScanView> {
  const row = await tx.first<DuplicateScanView>(
    'select state, (select count(*)::int from duplicate_pairs p where p.account_id = s.account_id) as pairs, error, ended_at from duplicate_scans s where account_id = $1',
    [accountId],
  );
  return row ?? { state: 'never', pairs: 0, error: null, ended_at: null };
}

/** For the worker: pairs that SQL finds alike, judged as whoever comes in is. */
export async function findDuplicates(accountId: string): Promise<void> {
  await reader().run(`update duplicate_scans set state = 'running' where account_id = $1`, [accountId]);
  await transact(async (tx) => {
    const found = await tx.rows<Pair>(PAIRS, [accountId]);
    const people = await peopleOf(tx, found);
    const pairs = found.flatMap((pair) => judged(pair, people));
    await tx.run('delete from duplicate_pairs where account_id = $1', [accountId]);
    await tx.run(
      `insert into duplicate_pairs (account_id, one_id, other_id, reasons, score)
       select $1, one_id, other_id, array(select jsonb_array_elements_text(reasons)), score from jsonb_to_recordset($2::jsonb) as x (one_id bigint, other_id bigint, reasons jsonb, score real)`,
      [accountId, JSON.stringify(pairs)],
    );
    await tx.run(
      `update duplicate_scans set state = 'done', pairs = (select count(*) from duplicate_pairs where account_id = $1), ended_at = $2 where account_id = $1`,
      [accountId, await now(tx)],
    );
  });
}

async function peopleOf(tx: Tx, pairs: Pair[]): Promise<Map<string, PreparedIdentity>> {
  const ids = [...new Set(pairs.flatMap(({ one_id, other_id }) => [one_id, other_id]))];
  const rows = await tx.rows<IdentityRow>(
    `select ${IDENTITY}, array(select value from contact_points p where p.contact_id = c.id) as addresses
     from contacts c where c.id = any($1::bigint[])`,
    [ids],
  );
  return new Map(rows.map((row) => [row.id, preparedIdentity({ ...row, home: homeOf(row.street, row.city, row.postal_code) })]));
}
/** Two whose names say that they are two, or who were born on different days, are not shown; the rest says why with what speaks for it. */
function judged(pair: Pair, people: Map<string, PreparedIdentity>): Pair[] {
  const [one, other] = [people.get(pair.one_id)!, people.get(pair.other_id)!];
  const { verdict, names, evidence } = comparePrepared(one, other);
  const isBornElse = one.birthday && other.birthday && !evidence.includes('birthday');
  if (isBornElse || (verdict === 'different' && names === 'other')) return [];
  const reasons = new Set(pair.reasons);
  if (evidence.includes('home')) reasons.add('same_home');
  if (evidence.includes('birthday')) reasons.add('same_birthday');
  return [{ ...pair, reasons: [...reasons], score: pair.score + (evidence.includes('birthday') ? 0.2 : 0) }];
}
export const failDuplicateScan = (accountId: string, error: string): Promise<void> =>
  reader().run(`update duplicate_scans set state = 'failed', error = $2 where account_id = $1`, [accountId, error.slice(0, 500)]);

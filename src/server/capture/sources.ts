/** The name of a lead source as it is called here. A name that nobody has looked at and no door has is taken, and proposed to the office; one that was merged is called by the other. */
import { config, noteMade, wasMadeIn, type Tx } from '../shared';

/** Names change seldom and come with every lead: what is known holds this long. */
const KNOWN_MS = 3_000;
const known = new Map<string, { name: string | null; until: number }>();
/** Names are read anew, after they were merged or taken apart. */
export const forgetSources = (): void => known.clear();

/** In the caller's transaction. @returns null for a name that the office says is no source */
export async function sourceNamed(tx: Tx, accountId: string, name: string, at: Date): Promise<string | null> {
  const key = `${config().databaseUrl} ${accountId} ${name.toLowerCase()}`;
  const cached = known.get(key);
  if (cached && cached.until > Date.now()) return cached.name;
  const row = await tx.first<{ name: string | null; fresh: boolean }>(
    `with made as (
       insert into sources (account_id, name, key, state, first_at) select $1, $2, lower($2), case when exists (select 1 from doors where account_id = $1 and active and (lower(name) = lower($2) or lower(source) = lower($2))) then 'known' else 'proposed' end, $3
       where not exists (select 1 from sources where account_id = $1 and key = lower($2)) on conflict (account_id, key) do nothing returning name
     ) select name, true as fresh from made
       union all select case when s.state <> 'none' then coalesce(i.name, s.name) end, false from sources s left join sources i on i.id = s.into_id where s.account_id = $1 and s.key = lower($2) limit 1`,
    [accountId, name, at],
  );
  const called = row ? row.name : name;
  if (known.size > 5_000) known.clear();
  /* What was proposed in a transaction that may yet fail is asked for again. */
  if (row?.fresh) noteMade(tx, key);
  if (row && !wasMadeIn(tx, key)) known.set(key, { name: called, until: Date.now() + KNOWN_MS });
  return called;
}

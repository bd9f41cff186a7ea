/** The names of everything a segment may name: stages, horizons, tags, people, rosters, doors, campaigns, and the account's own fields; and the sources and places offered beside them. */
import { CONTACT_ROLES, ROLE_NAMES } from '@/core/contacts';
import type { Scope } from '@/core/accounts';
import type { NameOf, Vocabulary, VocabularyView } from '@/core/segments';
import { listFields } from '../contacts';
import { inTurn, cacheWhenSlow, nameSql, PROPOSALS, reader, type Tx } from '../shared';

/** Sources, towns and postal codes that are offered; others can be typed. */
const MOST_OFFERED = 300;

/** Everything that has a name of its own. Sources and places are their own names: `readOffered` adds those there are. */
export async function readVocabulary(scope: Scope, within?: Tx): Promise<VocabularyView> {
  const tx = within ? inTurn(within) : reader();
  const [rows, fields] = await Promise.all([
    tx.rows<{ of: Vocabulary; value: string; name: string; more: object | null }>(
      `select * from (
         select 'stage' as of, key as value, name, position as rank, jsonb_build_object('meaning', meaning) as more from stages where account_id = $1 and deleted_at is null
         union all select 'horizon', key, name, position, jsonb_build_object('meaning', meaning, 'rhythm_days', rhythm_days, 'strokes', strokes) from horizons where account_id = $1 and deleted_at is null
         union all select 'tag', id::text, name, 0, null from tags where account_id = $1 and deleted_at is null
         union all select 'person', id::text, ${nameSql()}, 0, case when active then null else jsonb_build_object('left', true) end from users where account_id = $1 and role <> 'lender'
         union all select 'roster', id::text, name, 0, null from rosters where account_id = $1 and deleted_at is null
         union all select 'door', id::text, name, 0, null from doors where account_id = $1
         union all select 'campaign', id::text, name, 0, null from campaigns where account_id = $1 and deleted_at is null
       ) v order by rank, lower(name)`,
      [scope.accountId],
    ),
    listFields(scope.accountId, tx),
  ]);
  const names: VocabularyView['names'] = {
    role: CONTACT_ROLES.map((role) => ({ value: role, name: ROLE_NAMES[role] })),
    permission: [
      { value: 'granted', name: 'yes' },
      { value: 'withdrawn', name: 'no' },
      { value: 'unknown', name: 'not known' },
    ],
  };
  for (const { of, value, name, more } of rows) (names[of] ??= []).push({ value, name, ...more });
  return { names, fields };
}

/** The vocabulary with the sources, towns and postal codes that contacts have, the most frequent first: counted from their indexes. */
export async function readOffered(scope: Scope): Promise<VocabularyView> {
  const offered = (value: string, group: string) =>
    cacheWhenSlow(`offered ${scope.accountId} ${group}`, PROPOSALS, () =>
      reader().rows<{ value: string }>(
        `select ${value} as value from contacts where account_id = $1 and deleted_at is null and ${group} is not null group by ${group} order by count(*) desc, 1 limit ${MOST_OFFERED}`,
        [scope.accountId],
      ),
    );
  const [vocabulary, source, town, postal] = await Promise.all([
    readVocabulary(scope),
    offered('source', 'source'),
    offered('min(city)', "lower(nullif(city, ''))"),
    offered('postal_code', 'postal_code'),
  ]);
  const named = (rows: { value: string }[]) => rows.map(({ value }) => ({ value, name: value }));
  return {
    ...vocabulary,
    names: { ...vocabulary.names, source: named(source), town: named(town), postal: named(postal) },
  };
}

/** Looks names up in a vocabulary. */
export const nameIn =
  ({ names }: VocabularyView): NameOf =>
  (of, value) =>
    names[of]?.find((one) => one.value === value)?.name ?? null;

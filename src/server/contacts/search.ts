/**
 * What a search says: its words as patterns over the search text, the tags they name, and, when nobody is found, the words that
 * were meant (docs/decisions/0004). The search text of a contact holds names, company, addresses, town and postal code.
 */
import type { Scope } from '@/core/accounts';
import { reader, type Tx } from '../shared';

/** Words meant by one mistyped word: more are no help. */
const MOST_MEANT = 3;
/** From here on a word is long enough to be mistyped. */
const SHORTEST_MISTYPED = 4;

const folded = (q: string): string =>
  q
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{Diacritic}/gu, '');
const wordsOf = (q: string): string[] =>
  folded(q)
    .split(/\s+/)
    .filter((word) => /[\p{L}\p{N}]/u.test(word))
    .slice(0, 8);
/** Only a run of three letters or digits is something that the index can look for inside of words. */
const searchable = (word: string): boolean => /[\p{L}\p{N}]{3}/u.test(word);

/**
 * The words of a search as LIKE patterns over the search text; what is too short counts only at the beginning of a word.
 * None for a search of signs alone, which finds nobody.
 */
export function searchPatterns(q: string): string[] {
  const escape = (text: string) => text.replace(/[\\%_]/g, '\\$&');
  const digits = q.replace(/\D/g, '');
  if (digits.length >= 7 && /^[\d\s()+.-]+$/.test(q)) return [`%${digits.slice(-10)}%`];
  return wordsOf(q).map((word) => (searchable(word) ? `%${escape(word)}%` : `% ${escape(word)}%`));
}

/** Looks up the tags that the words of a search name, in the order of its patterns. Words that are too short name none. */
export async function tagsNamed(scope: Scope, q: string, tx: Tx = reader()): Promise<string[][]> {
  const patterns = searchPatterns(q);
  if (!patterns.some((pattern) => !pattern.startsWith('% '))) return patterns.map(() => []);
  const rows = await tx.rows<{ id: string; n: number }>(
    `select t.id, x.n::int as n from tags t, unnest($2::text[]) with ordinality x (pattern, n) where t.account_id = $1 and t.deleted_at is null and x.pattern not like '\\% %' and lower(unaccent(t.name)) like x.pattern`,
    [scope.accountId, patterns],
  );
  return patterns.map((_, at) => rows.filter(({ n }) => n === at + 1).map(({ id }) => id));
}

/**
 * The patterns of a search in which words may be mistyped: for each word those that may have been meant, by letters in which they
 * differ. Null when no word can be another.
 */
export async function patternsMeant(scope: Scope, q: string, tx: Tx): Promise<string[][] | null> {
  const words = wordsOf(q);
  const asked = words.filter((word) => word.length >= SHORTEST_MISTYPED && /^\p{L}+$/u.test(word));
  if (!asked.length) return null;
  await tx.run(`select set_config('pg_trgm.similarity_threshold', '0.25', true)`);
  const rows = await tx.rows<{ asked: string; word: string }>(
    `select x.asked, m.word from unnest($2::text[]) x (asked), lateral (
       select s.word, levenshtein_less_equal(s.word, x.asked, 3) as slips, max(similarity(s.word, x.asked)) as alike from search_words s
       where s.account_id = $1 and s.word % x.asked and abs(length(s.word) - length(x.asked)) < 4 group by s.word order by 2, 3 desc, 1 limit ${MOST_MEANT}) m
     where m.slips <= case when length(x.asked) < 8 then 2 else 3 end`,
    [scope.accountId, asked],
  );
  if (!rows.length) return null;
  const patterns = searchPatterns(q);
  return words.map((word, at) => [
    ...new Set([patterns[at]!, ...rows.filter((row) => row.asked === word).map((row) => `%${row.word}%`)]),
  ]);
}

/** The words of an expression that may one day be mistyped, learned once. @param from `… from made` with `account_id` and `text` */
export const learnWords = (from: string): string =>
  `insert into search_words (account_id, word) select distinct account_id, w from (${from}) said, regexp_split_to_table(lower(unaccent(said.text)), '[^[:alpha:]]+') w
   where length(w) between ${SHORTEST_MISTYPED} and 40 and not exists (select 1 from search_words k where k.account_id = said.account_id and k.word = w)`;

/** Takes contacts who are gone out of the search; whoever comes back is written anew. */
export const forgetSearch = (tx: Tx, contactIds: string[]): Promise<void> =>
  tx.run('delete from contact_search where contact_id = any($1::bigint[])', [contactIds]);

/** Writes the search text of contacts anew from names, company, points and town. Tags are found by themselves, so that tagging many does not pay for it. */
export const refreshSearch = (tx: Tx, contactIds: string[]): Promise<void> =>
  writeSearch(tx, 'c.id = any($1::bigint[])', [contactIds]);

/** Writes the search text, and the words learned from it, of all contacts `c` of a condition who are still there. */
export const writeSearch = (tx: Tx, which: string, bind: unknown[] = []): Promise<void> =>
  tx.run(
    `with people as (select c.id, c.account_id, concat_ws(' ', c.first_name, c.last_name, c.company, c.city) as text, c.postal_code,
         (select string_agg(case when kind = 'phone' then regexp_replace(value, '\\D', '', 'g') else value end, ' ') from contact_points where contact_id = c.id) as points
       from contacts c where ${which} and c.deleted_at is null),
       learned as (${learnWords('select account_id, text from people')})
     insert into contact_search (contact_id, account_id, search_text) select id, account_id, ' ' || lower(unaccent(concat_ws(' ', text, postal_code, points))) from people
     on conflict (contact_id) do update set search_text = excluded.search_text`,
    bind,
  );

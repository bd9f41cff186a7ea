/** The words of templates and A/B tests for those who send many: read once in a while, handed out by key. */
import type { FoundWords, WordsFrom } from '@/core/campaigns';
import { seededPick, type Words } from '@/core/messages';
import { config, type Tx } from '../shared';

export type WordsOf = (from: WordsFrom, key: string) => FoundWords | null;

/** Templates change seldom, and a message may go by the wording of a few seconds ago. */
const KNOWN_MS = 3_000;
const known = new Map<string, { wordsOf: WordsOf; until: number }>();
/** Words are read anew, after one was changed. */
export const forgetWords = (): void => known.clear();

/** @returns by account */
export async function wordsFor(tx: Tx, accountIds: readonly string[]): Promise<Map<string, WordsOf>> {
  const found = new Map<string, WordsOf>();
  for (const accountId of new Set(accountIds)) found.set(accountId, await wordsOfAccount(tx, accountId));
  return found;
}

async function wordsOfAccount(tx: Tx, accountId: string): Promise<WordsOf> {
  const key = `${config().databaseUrl} ${accountId}`;
  const cached = known.get(key);
  if (cached && cached.until > Date.now()) return cached.wordsOf;
  const templates = await tx.rows<{ id: string; words: Words; version: number }>(
    'select id, words, version from templates where account_id = $1 and deleted_at is null',
    [accountId],
  );
  const abTests = await tx.rows<{ id: string; template_ids: string[]; winner_id: string | null }>(
    'select id, template_ids::text[], winner_id from ab_tests where account_id = $1 and deleted_at is null',
    [accountId],
  );
  const byId = new Map(templates.map(({ id, words, version }) => [id, { words, templateId: id, version }]));
  const entrants = new Map(
    abTests.map(({ id, template_ids, winner_id }) => [id, winner_id ? [winner_id] : template_ids.filter((one) => byId.has(one))]),
  );
  const wordsOf: WordsOf = (from, messageKey) => {
    if ('template' in from) return byId.get(from.template) ?? null;
    const ids = entrants.get(from.challenge) ?? [];
    /* Of its own kind, so that an A/B test and the variants inside its templates do not choose alike. */
    return ids.length ? (byId.get(ids[seededPick(`challenge ${messageKey}`)(0, ids.length)]!) ?? null) : null;
  };
  known.set(key, { wordsOf, until: Date.now() + KNOWN_MS });
  return wordsOf;
}

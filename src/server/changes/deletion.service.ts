/**
 * Taking a word of the account away: a tag, a stage, a horizon, a field. It is out of sight at once, those who have it follow in
 * the background as a change of many, and undoing that change brings both back.
 */
import { AppError, notFound } from '@/core/shared';
import { fullName, scopeFor, type Principal } from '@/core/accounts';
import { describeBulkAction, type BulkAction, type ChangeNames, type ChangeView } from '@/core/changes';
import { enqueue, now, publish, writeAudit, transact, type Tx } from '../shared';
import { checkDeletable } from '../tags';
import { hideWord, listFieldsWithUses, listHorizons, listStages, showWord, type WordTable } from '../vocabulary';
import { changeView, type ChangeRow } from './changes.repository';
import type { Selection } from './select';

type Deletion = Extract<BulkAction, { kind: `delete_${string}` }>;

/** Which word a change takes away. */
function wordOf(change: BulkAction): { table: WordTable; key: string } | null {
  switch (change.kind) {
    case 'delete_tag':
      return { table: 'tags', key: change.tag_id };
    case 'delete_stage':
      return { table: 'stages', key: change.stage };
    case 'delete_horizon':
      return { table: 'horizons', key: change.horizon };
    case 'delete_field':
      return { table: 'fields', key: change.field_id };
    default:
      return null;
  }
}

/** Brings a word back into sight when the change that took it away is undone. */
export async function restoreWord(tx: Tx, accountId: string, change: BulkAction): Promise<void> {
  const word = wordOf(change);
  if (!word) return;
  await showWord(tx, word.table, accountId, word.key);
  await publish(tx, { accountId, topic: 'contact', ownerId: null });
}

/** @param ended how many have it, when nothing is to be done to the people themselves */
async function deleteWord(
  principal: Principal,
  change: Deletion,
  selection: Selection,
  name: ChangeNames,
  ended: number | null = null,
): Promise<ChangeView> {
  const { accountId, userId } = scopeFor(principal);
  const description = describeBulkAction(change, name);
  const { table, key } = wordOf(change)!;
  return transact(async (tx) => {
    const at = await now(tx);
    const row = await tx.first<ChangeRow>(
      `insert into changes (account_id, user_id, kind, spec, sentence, made_at, state, total, done, changed, ended_at)
       values ($1, $2, $3, $4::jsonb, $5, $6, $7, $8, $8, $8, case when $7 = 'done' then $6::timestamptz end) returning *, null as by`,
      [
        accountId,
        userId,
        change.kind,
        JSON.stringify({ change, selection, description }),
        `${description[0]!.toUpperCase()}${description.slice(1)}`,
        at,
        ended === null ? 'waiting' : 'done',
        ended ?? 0,
      ],
    );
    await hideWord(tx, table, accountId, key, at);
    await writeAudit(tx, principal, accountId, `${table.slice(0, -1)}.delete`, { key, changeId: row!.id }, at);
    if (ended === null) await enqueue(tx, 'changes.run', { changeId: row!.id });
    await publish(tx, { accountId, topic: 'contact', ownerId: null });
    return changeView({ ...row!, by: principal.kind === 'user' ? fullName(principal.user) : null });
  });
}

/** Deletes a tag; another may take its place. Merging two is the same. */
export async function deleteTag(principal: Principal, tagId: string, replaceBy: string | null): Promise<ChangeView> {
  const names = await checkDeletable(principal, tagId, replaceBy);
  return deleteWord(principal, { kind: 'delete_tag', tag_id: tagId, replace_by: replaceBy }, { tag: tagId }, (_, id) =>
    id === tagId ? names.name : (names.replacement ?? ''),
  );
}

const refused = (field: string, message: string): AppError =>
  new AppError('input_invalid', 'Couldn’t remove it.', { fields: [{ field, message }] });

/** The word and what takes its place, among those of the account. @throws AppError not_found, input_invalid */
function chosen<W extends { key: string; name: string; removable: boolean }>(
  words: W[],
  what: 'stage' | 'horizon',
  key: string,
  replaceBy: string | null,
  why: string,
): ChangeNames {
  const word = words.find((one) => one.key === key);
  if (!word) throw notFound(what);
  if (!word.removable) throw new AppError('conflict', `“${word.name}” stays: ${why}`);
  if (replaceBy === key) throw refused('replace_by', `is the ${what} itself`);
  if (replaceBy && !words.some((one) => one.key === replaceBy)) throw notFound(what);
  return (_, id) => words.find((one) => one.key === id)?.name ?? id;
}

/** Removes a stage; its people go to another. */
export async function deleteStage(principal: Principal, stage: string, replaceBy: string): Promise<ChangeView> {
  const words = await listStages(scopeFor(principal).accountId);
  const why = 'it’s built in. Rename it instead.';
  const name = chosen(words, 'stage', stage, replaceBy, why);
  if (replaceBy === 'new' || replaceBy === 'archived')
    throw refused('replace_by', 'cannot be New, where nobody was tried, nor Archived, which asks for a reason of each');
  return deleteWord(principal, { kind: 'delete_stage', stage, replace_by: replaceBy }, { stage }, name);
}

/** Removes a horizon; its people get another, or none. */
export async function deleteHorizon(principal: Principal, horizon: string, replaceBy: string | null): Promise<ChangeView> {
  const words = await listHorizons(scopeFor(principal).accountId);
  const name = chosen(words, 'horizon', horizon, replaceBy, 'it’s the last one.');
  return deleteWord(principal, { kind: 'delete_horizon', horizon, replace_by: replaceBy }, { horizon }, name);
}

/** Deletes a field. What is written in it goes out of sight with it, and comes back with it. */
export async function deleteField(principal: Principal, fieldId: string): Promise<ChangeView> {
  const field = (await listFieldsWithUses(scopeFor(principal).accountId)).find(({ id }) => id === fieldId);
  if (!field) throw notFound('field');
  return deleteWord(principal, { kind: 'delete_field', field_id: fieldId }, { ids: [] }, () => field.name, field.uses);
}

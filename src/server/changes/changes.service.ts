/** Asking for a change of many: what it would do, the order to do it, stopping it, taking it back. The work itself is the worker's. */
import type { RefusalCode } from '@/core/contacts';
import { AppError, notFound } from '@/core/shared';
import { fullName, may, scopeFor, type Principal } from '@/core/accounts';
import {
  describeBulkAction,
  previewSentence,
  type BulkAction,
  type ChangeNames,
  type ChangePreview,
  type ChangeView,
  type SelectionTag,
} from '@/core/changes';
import { fieldRows } from '@/core/fields';
import { enqueue, now, reader, writeAudit, transact, type Tx } from '../shared';
import { listFields } from '../contacts';
import { nameIn, readVocabulary } from '../segments';
import { restoreWord } from './deletion.service';
import { changeView, findChangeRow, UNDOABLE, type ChangeRow } from './changes.repository';
import { kindOf } from './kinds.index';
import { selectionSql, type Selection } from './select';

export interface BulkActionRequest {
  selection: Selection;
  change: BulkAction;
}

/** May this person do it, and does what it names exist? @returns what is done, in words */
async function checked(principal: Principal, change: BulkAction): Promise<string> {
  const scope = scopeFor(principal);
  const hands = change.kind === 'owner' || change.kind === 'hand_on';
  if ((hands && !may(principal, 'contacts:assign')) || (change.kind === 'delete' && !may(principal, 'contacts:delete')))
    throw new AppError(
      'not_allowed',
      hands ? 'Only an admin can assign contacts to another agent.' : 'Only an admin can delete contacts. Archive them instead.',
    );
  const invalid = (field: string, message: string) =>
    new AppError('input_invalid', 'Can’t make this change. Nothing was done.', {
      fields: [{ field: `change.${field}`, message }],
    });
  if (change.kind === 'stage' && change.stage === 'archived' && !change.archived_because?.trim())
    throw invalid('archived_because', 'give a reason');
  if (change.kind === 'permission' && change.state === 'granted' && !change.evidence.trim())
    throw invalid('evidence', 'say how and where they said yes');
  if ('add' in change && !change.add.length && !change.remove.length) throw invalid('add', 'add or remove at least one');
  const vocabulary = await readVocabulary(scope);
  const known = nameIn(vocabulary);
  const name: ChangeNames = (of, value) => {
    const found = of === 'field' ? vocabulary.fields.find(({ id }) => id === value)?.name : known(of, value);
    if (!found) throw notFound(of === 'person' ? 'agent' : of);
    return found;
  };
  if (change.kind === 'field') {
    const field = (await listFields(scope.accountId)).find(({ id }) => id === change.field_id);
    if (!field) throw notFound('field');
    fieldRows(field, change.value);
  }
  return describeBulkAction(change, name);
}

/** What a change would do, without doing it. */
export async function previewChange(principal: Principal, request: BulkActionRequest): Promise<ChangePreview> {
  const description = await checked(principal, request.change);
  const bind: unknown[] = [];
  const selected = await selectionSql(scopeFor(principal), request.selection, bind);
  const rows = await reader().rows<{ why: RefusalCode | null; n: number }>(
    `select (${kindOf(request.change).leaves(request.change, bind)})::text as why, count(*)::int as n
     from (${selected}) chosen join contacts c on c.id = chosen.id join contact_facts f on f.contact_id = c.id group by 1`,
    bind,
  );
  const leftAlone = Object.fromEntries(
    rows.filter(({ why }) => why !== null).map(({ why, n }) => [why, n]),
  ) as ChangePreview['left_alone'];
  const willChange = rows.find(({ why }) => why === null)?.n ?? 0;
  return {
    count: rows.reduce((sum, { n }) => sum + n, 0),
    will_change: willChange,
    left_alone: leftAlone,
    sentence: previewSentence(description, willChange, leftAlone),
  };
}

/** The tags that the selected have, with how many of them have each. */
export async function tagsOfSelection(principal: Principal, selection: Selection): Promise<SelectionTag[]> {
  const bind: unknown[] = [];
  const selected = await selectionSql(scopeFor(principal), selection, bind);
  return reader().rows<SelectionTag>(
    `select ct.tag_id::text as id, count(*)::int as people from (${selected}) chosen join contact_tags ct on ct.contact_id = chosen.id
     join tags t on t.id = ct.tag_id and t.deleted_at is null group by 1 order by 2 desc, 1`,
    bind,
  );
}

/** Orders a change; the worker does it in the background. */
export async function createChange(principal: Principal, request: BulkActionRequest): Promise<ChangeView> {
  const description = await checked(principal, request.change);
  const scope = scopeFor(principal);
  return transact(async (tx) => {
    const at = await now(tx);
    const row = await tx.first<ChangeRow>(
      `insert into changes (account_id, user_id, kind, spec, sentence, made_at) values ($1, $2, $3, $4::jsonb, $5, $6) returning *, null as by`,
      [
        scope.accountId,
        scope.userId,
        request.change.kind,
        JSON.stringify({ ...request, description }),
        `${description[0]!.toUpperCase()}${description.slice(1)}`,
        at,
      ],
    );
    if (request.change.kind === 'delete')
      await writeAudit(tx, principal, scope.accountId, 'contacts.delete', { changeId: row!.id }, at);
    await enqueue(tx, 'changes.run', { changeId: row!.id });
    return changeView({ ...row!, by: principal.kind === 'user' ? fullName(principal.user) : null });
  });
}

/** Stops a change under way: what is done stays done and can be undone. */
export async function cancelChange(principal: Principal, id: string): Promise<ChangeView> {
  return transact(async (tx) => {
    const row = await findChangeRow(principal, id, tx, true);
    if (row.state !== 'waiting' && row.state !== 'running') throw new AppError('conflict', 'This change is no longer running.');
    await tx.run('update changes set cancel = true where id = $1', [id]);
    return changeView({ ...row, cancel: true });
  });
}

/** Takes a change back; what somebody changed since stays as they left it. */
export async function undoChange(principal: Principal, id: string): Promise<ChangeView> {
  return transact(async (tx) => {
    const row = await findChangeRow(principal, id, tx, true);
    if (row.state === 'undoing' || row.state === 'undone') return changeView(row);
    if (!UNDOABLE.includes(row.state)) throw new AppError('conflict', 'This change is still running. Cancel it first.');
    await restoreWord(tx, row.account_id, row.spec.change);
    if (row.kind === 'delete_field') return endAtOnce(tx, row);
    await tx.run(`update changes set state = 'undoing' where id = $1`, [id]);
    await enqueue(tx, 'changes.undo', { changeId: id });
    return changeView({ ...row, state: 'undoing' });
  });
}

/** A field that came back has everything again: there is nothing to do for its people. */
async function endAtOnce(tx: Tx, row: ChangeRow): Promise<ChangeView> {
  const at = await now(tx);
  await tx.run(`update changes set state = 'undone', undone = changed, ended_at = $2 where id = $1`, [row.id, at]);
  return changeView({ ...row, state: 'undone', undone: row.changed, ended_at: at });
}

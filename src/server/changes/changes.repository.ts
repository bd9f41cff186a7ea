/** The history of changes of many: what was asked, how far it is, what came of it. */
import { isDeletion, type ChangeState, type ChangeView } from '@/core/changes';
import { notFound } from '@/core/shared';
import { accountOf, onlyOf, type Principal } from '@/core/accounts';
import { nameSql, reader, type Tx, type RowOf } from '../shared';
import type { changesTable } from './changes.model';

export type ChangeRow = Pick<
  RowOf<typeof changesTable>,
  | 'id'
  | 'account_id'
  | 'user_id'
  | 'kind'
  | 'spec'
  | 'sentence'
  | 'state'
  | 'total'
  | 'done'
  | 'changed'
  | 'left_alone'
  | 'undone'
  | 'undo_left_alone'
  | 'cancel'
  | 'error'
  | 'made_at'
  | 'ended_at'
> & {
  by: string | null;
};

const SELECT = `select h.*, ${nameSql('u')} as by from changes h left join users u on u.id = h.user_id`;

/** What was done until a change ended, failed or was cancelled can be taken back. */
export const UNDOABLE: readonly ChangeState[] = ['done', 'cancelled', 'failed'];

export function changeView(row: ChangeRow): ChangeView {
  return {
    id: row.id,
    kind: row.kind,
    sentence: row.sentence,
    state: row.state,
    total: row.total,
    done: row.done,
    changed: row.changed,
    left_alone: row.left_alone,
    undone: row.undone,
    undo_left_alone: row.undo_left_alone,
    error: row.error,
    by: row.by,
    made_at: row.made_at,
    ended_at: row.ended_at,
    can_undo: UNDOABLE.includes(row.state) && (row.changed > 0 || isDeletion(row.kind)),
  };
}

/** The latest changes first. */
export async function listChanges(principal: Principal, limit: number): Promise<ChangeView[]> {
  const rows = await reader().rows<ChangeRow>(
    `${SELECT} where h.account_id = $1 and ($2::bigint is null or h.user_id = $2) order by h.id desc limit $3`,
    [accountOf(principal), onlyOf(principal), limit],
  );
  return rows.map(changeView);
}

/** @throws AppError not_found, also for somebody else's */
export async function findChangeRow(principal: Principal, id: string, tx: Tx = reader(), lock = false): Promise<ChangeRow> {
  const row = await tx.first<ChangeRow>(
    `${SELECT} where h.id = $1 and h.account_id = $2 and ($3::bigint is null or h.user_id = $3)${lock ? ' for update of h' : ''}`,
    [id, accountOf(principal), onlyOf(principal)],
  );
  if (!row) throw notFound('change');
  return row;
}
export const findChange = async (principal: Principal, id: string): Promise<ChangeView> =>
  changeView(await findChangeRow(principal, id));

/** For the worker. */
export const readChange = (id: string, tx: Tx = reader(), lock = false): Promise<ChangeRow | null> =>
  tx.first<ChangeRow>(`${SELECT} where h.id = $1${lock ? ' for update of h' : ''}`, [id]);

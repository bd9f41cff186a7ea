/** Segments: kept privately or for the team, laid on a person's shelf, read with their sentence as of now. */
import { AppError, notFound } from '@/core/shared';
import { may, runsTheOffice, scopeFor, type Principal, type Scope } from '@/core/accounts';
import { piecesOf, type SegmentView, type Tree, type VocabularyView } from '@/core/segments';
import { readTree } from '@/core/segments/schemas';
import { listFields, type SegmentContext } from '../contacts';
import { nameSql, now, reader, transact, type RowOf, type Tx } from '../shared';
import { segmentsTable } from './segments.model';
import { shelvesTable } from './shelves.model';
import { nameIn, readVocabulary } from './vocabulary.repository';

type SegmentRow = Pick<RowOf<typeof segmentsTable>, 'id' | 'name' | 'tree' | 'team' | 'made_by'> & {
  maker: string | null;
  on_shelf: boolean;
};

const SELECT = `select s.id, s.name, s.tree, s.team, s.made_by, ${nameSql('u')} as maker, sh.user_id is not null as on_shelf
  from segments s left join users u on u.id = s.made_by left join shelves sh on sh.segment_id = s.id and sh.user_id = $2`;

function viewOf(row: SegmentRow, userId: string | null, vocabulary: VocabularyView): SegmentView {
  const pieces = piecesOf(row.tree, nameIn(vocabulary), vocabulary.fields);
  return {
    id: row.id,
    name: row.name,
    tree: row.tree,
    sentence: pieces.map(({ text }) => text).join(''),
    broken: pieces.some(({ gone }) => gone),
    team: row.team,
    mine: userId !== null && row.made_by === userId,
    made_by: row.maker,
    on_shelf: row.on_shelf,
  };
}

/** The team's segments and one's own: those on the shelf first, in its order. */
export async function listSegments(scope: Scope): Promise<SegmentView[]> {
  const [rows, vocabulary] = await Promise.all([
    reader().rows<SegmentRow>(
      `${SELECT} where s.account_id = $1 and (s.team or s.made_by = $2) order by sh.position nulls last, lower(s.name), s.id`,
      [scope.accountId, scope.userId],
    ),
    readVocabulary(scope),
  ]);
  return rows.map((row) => viewOf(row, scope.userId, vocabulary));
}

async function findRow(scope: Scope, id: string, tx: Tx): Promise<SegmentRow> {
  const row = await tx.first<SegmentRow>(`${SELECT} where s.account_id = $1 and (s.team or s.made_by = $2) and s.id = $3`, [
    scope.accountId,
    scope.userId,
    id,
  ]);
  if (!row) throw notFound('segment');
  return row;
}

/** One segment. @throws AppError not_found, also when it is somebody else's own */
export async function findSegment(scope: Scope, id: string): Promise<SegmentView> {
  return viewOf(await findRow(scope, id, reader()), scope.userId, await readVocabulary(scope));
}

/** What it takes to ask a segment now: the account's fields and zone, and who looks. */
export async function segmentContext(scope: Scope, tx: Tx = reader()): Promise<SegmentContext> {
  const [fields, account, at] = await Promise.all([
    listFields(scope.accountId, tx),
    tx.first<{ time_zone: string }>('select time_zone from accounts where id = $1', [scope.accountId]),
    now(tx),
  ]);
  return { at, zone: account!.time_zone, fields, userId: scope.userId };
}

/** Checks a tree that came from outside. @throws AppError input_invalid */
export const checkTree = async (scope: Scope, tree: unknown): Promise<Tree> => readTree(tree, await listFields(scope.accountId));

export interface SegmentInput {
  name?: string;
  tree?: unknown;
  team?: boolean;
}

function nameOf(name: string): string {
  const clean = name.trim().replace(/\s+/g, ' ');
  if (!clean)
    throw new AppError('input_invalid', 'The segment needs a name.', { fields: [{ field: 'name', message: 'enter a name' }] });
  return clean;
}

/** Keeps a segment, and lays it on the maker's shelf. */
export async function createSegment(
  principal: Principal,
  input: { name: string; tree: unknown; team: boolean },
): Promise<SegmentView> {
  const scope = scopeFor(principal);
  const tree = await checkTree(scope, input.tree);
  const id = await transact(async (tx) => {
    const at = await now(tx);
    const made = await segmentsTable.insert(
      {
        account_id: scope.accountId,
        made_by: scope.userId,
        team: input.team || scope.userId === null,
        name: nameOf(input.name),
        tree,
        made_at: at,
        changed_at: at,
      },
      tx,
    );
    if (scope.userId) await shelve(tx, scope.userId, made.id);
    return made.id;
  });
  return findSegment(scope, id);
}

const shelve = (tx: Tx, userId: string, segmentId: string): Promise<void> =>
  tx.run(
    `insert into shelves (user_id, segment_id, position) select $1, $2, coalesce(max(position) + 1, 0) from shelves where user_id = $1 on conflict do nothing`,
    [userId, segmentId],
  );

/** Only the maker changes their own; a team's segment is changed by its maker or by those who run the office. */
function requireMaker(principal: Principal, row: SegmentRow): void {
  if (
    principal.kind === 'key'
      ? may(principal, 'contacts:write')
      : row.made_by === principal.user.id || runsTheOffice(principal.user.role)
  )
    return;
  throw new AppError('not_allowed', 'Only its creator or an admin can change this segment. Copy it to change the copy.');
}

export async function updateSegment(principal: Principal, id: string, input: SegmentInput): Promise<SegmentView> {
  const scope = scopeFor(principal);
  const tree = input.tree === undefined ? undefined : await checkTree(scope, input.tree);
  await transact(async (tx) => {
    requireMaker(principal, await findRow(scope, id, tx));
    const name = input.name === undefined ? undefined : nameOf(input.name);
    await segmentsTable.update({ name, tree, team: input.team, changed_at: await now(tx) }, { id }, tx);
  });
  return findSegment(scope, id);
}

export async function deleteSegment(principal: Principal, id: string): Promise<void> {
  await transact(async (tx) => {
    requireMaker(principal, await findRow(scopeFor(principal), id, tx));
    await segmentsTable.remove({ id }, tx);
  });
}

/** The segments on a person's shelf, in this order; those not named leave it. */
export async function setShelf(scope: Scope, userId: string, segmentIds: string[]): Promise<void> {
  await transact(async (tx) => {
    await shelvesTable.remove({ user_id: userId }, tx);
    await tx.run(
      `insert into shelves (user_id, segment_id, position)
       select $1, s.id, x.n from unnest($2::bigint[]) with ordinality x (id, n) join segments s on s.id = x.id where s.account_id = $3 and (s.team or s.made_by = $1) on conflict do nothing`,
      [userId, segmentIds, scope.accountId],
    );
  });
}

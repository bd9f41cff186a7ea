/** Tags of the account: made in passing, renamed and recoloured everywhere at once, merged, and deleted with what takes their place. */
import { AppError, notFound } from '@/core/shared';
import { runsTheOffice, scopeFor, type Principal, type Scope } from '@/core/accounts';
import { mayMakeTags, tagName, type TagColor, type TagView } from '@/core/tags';
import { readSettings } from '../accounts';
import { visible } from '../contacts';
import { nameSql, now, publish, reader, transact, type RowOf, type Tx } from '../shared';
import { tagsTable } from './tags.model';

/** All tags by name, with how many contacts of the scope have each. */
export const listTags = (scope: Scope): Promise<TagView[]> => readTags(scope, null);

/**
 * How many contacts have each tag, of those one may see. For who sees everybody each tag is counted in its index, without opening half a million contacts,
 * and what the few who were deleted had is taken off.
 */
function usesSql(scope: Scope, bind: unknown[], only: (column: string) => string): string {
  const where = visible(scope, bind);
  if (scope.sees !== 'all')
    return `select ct.tag_id, count(*)::int as uses from contact_tags ct join contacts c on c.id = ct.contact_id where ${where}${only('ct.tag_id')} group by ct.tag_id`;
  return `select h.id as tag_id, ((select count(*) from contact_tags ct where ct.tag_id = h.id) - coalesce(d.n, 0))::int as uses
      from tags h
      left join (select ct.tag_id, count(*) as n from contacts c join contact_tags ct on ct.contact_id = c.id where c.deleted_at is not null group by ct.tag_id) d on d.tag_id = h.id
      where h.account_id = $1${only('h.id')}`;
}

function readTags(scope: Scope, id: string | null): Promise<TagView[]> {
  const bind: unknown[] = [];
  const only = (column: string) => (id ? ` and ${column} = $${bind.push(id)}` : '');
  const uses = usesSql(scope, bind, only);
  return reader().rows<TagView>(
    `select t.id, t.name, t.color, t.locked, coalesce(n.uses, 0) as uses, case when u.id is null then null else ${nameSql('u')} end as made_by, t.made_at
     from tags t left join users u on u.id = t.made_by
     left join (${uses}) n on n.tag_id = t.id
     where t.account_id = $1 and t.deleted_at is null${only('t.id')} order by lower(t.name)`,
    bind,
  );
}

const invalid = (field: string, message: string): AppError =>
  new AppError('input_invalid', 'Couldn’t save the tag.', { fields: [{ field, message }] });

/** Makes a tag, or answers the one that has this name already. @throws AppError not_allowed for a role that may not make new ones */
export async function createTag(principal: Principal, input: { name: string; color?: TagColor }): Promise<TagView> {
  const scope = scopeFor(principal);
  const name = tagName(input.name);
  if (!name) throw invalid('name', 'enter a name');
  const id = await transact(async (tx) => {
    const known = await tx.first<{ id: string }>(
      'select id from tags where account_id = $1 and lower(name) = lower($2) and deleted_at is null',
      [scope.accountId, name],
    );
    if (known) return known.id;
    const { tagBarred } = await readSettings(scope.accountId, tx);
    if (principal.kind === 'user' && !mayMakeTags(principal.user.role, tagBarred))
      throw new AppError('not_allowed', 'Only an owner or admin can add a tag. Choose one that’s already here.');
    const made = await tagsTable.insert(
      { account_id: scope.accountId, name, color: input.color ?? 'stone', made_by: scope.userId, made_at: await now(tx) },
      tx,
    );
    return made.id;
  });
  return findTag(scope, id);
}

async function findTag(scope: Scope, id: string): Promise<TagView> {
  const [tag] = await readTags(scope, id);
  if (!tag) throw notFound('tag');
  return tag;
}

/** Locks a tag that may be changed. @throws AppError not_found, not_allowed */
async function openTag(principal: Principal, id: string, tx: Tx, unlocking = false): Promise<RowOf<typeof tagsTable>> {
  const { accountId } = scopeFor(principal);
  const tag = await tagsTable.lock({ id, account_id: accountId, deleted_at: null }, tx);
  if (!tag) throw notFound('tag');
  if (principal.kind === 'user' && !runsTheOffice(principal.user.role) && tag.made_by !== principal.user.id)
    throw new AppError('not_allowed', 'Only its creator or an admin can change this tag.');
  if (tag.locked && !unlocking) throw new AppError('not_allowed', `“${tag.name}” is locked. Urraca manages it.`);
  return tag;
}

/** Renames, recolours or locks a tag; it shows everywhere at once, because contacts point at it. */
export async function updateTag(
  principal: Principal,
  id: string,
  patch: { name?: string; color?: TagColor; locked?: boolean },
): Promise<TagView> {
  await transact(async (tx) => {
    await openTag(principal, id, tx, patch.locked === false);
    const name = patch.name === undefined ? undefined : tagName(patch.name);
    if (name === '') throw invalid('name', 'enter a name');
    const taken =
      name &&
      (await tx.first(
        'select 1 from tags where account_id = $1 and lower(name) = lower($2) and id <> $3 and deleted_at is null',
        [scopeFor(principal).accountId, name, id],
      ));
    if (taken) throw invalid('name', 'another tag has this name; merge the two instead');
    await tagsTable.update({ name, color: patch.color, locked: patch.locked }, { id }, tx);
    await publish(tx, { accountId: scopeFor(principal).accountId, topic: 'contact', ownerId: null });
  });
  return findTag(scopeFor(principal), id);
}

/** Looks whether a tag may be deleted, and what takes its place. @throws AppError */
export async function checkDeletable(
  principal: Principal,
  id: string,
  replaceBy: string | null,
): Promise<{ name: string; replacement: string | null }> {
  return transact(async (tx) => {
    const { name } = await openTag(principal, id, tx);
    if (!replaceBy) return { name, replacement: null };
    if (replaceBy === id) throw invalid('replace_by', 'is the tag itself');
    const other = await tx.first<{ name: string }>(
      'select name from tags where id = $1 and account_id = $2 and deleted_at is null',
      [replaceBy, scopeFor(principal).accountId],
    );
    if (!other) throw notFound('tag');
    return { name, replacement: other.name };
  });
}

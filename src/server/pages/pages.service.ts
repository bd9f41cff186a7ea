/** Public pages as an office makes them: each is a door of its own, at an address of its own. */
import { scopeFor, type Principal } from '@/core/accounts';
import { oneLine } from '@/core/capture';
import {
  usersOf,
  namedIn,
  listingsOf,
  pageErrors,
  newPage,
  slugOf,
  type PublicPage,
  type PageKind,
  type PageView,
} from '@/core/pages';
import { AppError, notFound } from '@/core/shared';
import { forgetDoors } from '../capture';
import { config, now, reader, writeAudit, transact, type Tx, type RowOf } from '../shared';
import { doorsTable } from '../capture';

type Row = Pick<RowOf<typeof doorsTable>, 'id' | 'name' | 'source'> & {
  slug: string;
  brokerage: string;
  page: PublicPage;
  tags: string[] | null;
  last_arrival_at: Date | null;
  arrivals_30_days: number;
  visitors_30_days: number;
};
const SELECT = `select d.id, d.name, d.slug, d.page, a.name as brokerage, d.source, array(select jsonb_array_elements_text(coalesce(d.defaults->'tags', '[]'))) as tags,
    n.last_arrival_at, coalesce(n.arrivals, 0)::int as arrivals_30_days, coalesce(v.visitors, 0)::int as visitors_30_days
  from doors d join accounts a on a.id = d.account_id
  left join lateral (select max(arrived_at) as last_arrival_at, count(*) filter (where arrived_at > $2::timestamptz - interval '30 days') as arrivals from inquiries i where i.door_id = d.id) n on true
  left join lateral (select count(distinct visitor_id) as visitors from visitor_steps s where s.door_id = d.id and s.at > $2::timestamptz - interval '30 days') v on true`;

const viewOf = ({ tags, ...row }: Row): PageView => ({ ...row, tags: tags ?? [], url: `${config().publicUrl}/p/${row.slug}` });

/** The pages of the account, the oldest first. */
export async function listPages(principal: Principal): Promise<PageView[]> {
  const { accountId } = scopeFor(principal);
  const rows = await reader().rows<Row>(`${SELECT} where d.account_id = $1 and d.kind = 'page' and d.active order by d.id`, [
    accountId,
    await now(),
  ]);
  return rows.map(viewOf);
}

/** @throws AppError not_found */
export async function readPage(principal: Principal, id: string): Promise<PageView> {
  const { accountId } = scopeFor(principal);
  const row = await reader().first<Row>(`${SELECT} where d.account_id = $1 and d.id = $3 and d.kind = 'page' and d.active`, [
    accountId,
    await now(),
    id,
  ]);
  if (!row) throw notFound('page');
  return viewOf(row);
}

/** Makes a page of a kind with the blocks that it begins with; it can be visited at once. */
export async function createPage(principal: Principal, input: { kind: PageKind; name: string }): Promise<PageView> {
  const { accountId } = scopeFor(principal);
  const name = oneLine(input.name);
  if (!name) throw invalid([{ field: 'name', message: 'enter a name' }]);
  const id = await transact(async (tx) => {
    const at = await now(tx);
    const brokerage = (await tx.first<{ name: string }>('select name from accounts where id = $1', [accountId]))!.name;
    const page = newPage(input.kind, brokerage);
    const defaults = input.kind === 'sign_in' ? { tags: ['Open house'] } : {};
    const slug = await freeSlug(tx, slugOf(name));
    const made = await doorsTable.insert(
      { account_id: accountId, kind: 'page', name, slug, page, source: name, defaults, created_at: at },
      tx,
    );
    await writeAudit(tx, principal, accountId, 'page.create', { doorId: made.id, name, kind: input.kind }, at);
    return made.id;
  });
  return readPage(principal, id);
}

/** The slug, or with the first number behind it that nobody has. */
async function freeSlug(tx: Tx, slug: string): Promise<string> {
  const taken = new Set(
    (await tx.rows<{ slug: string }>(`select slug from doors where slug = $1 or slug like $1 || '-%'`, [slug])).map(
      (row) => row.slug,
    ),
  );
  if (!taken.has(slug)) return slug;
  for (let n = 2; ; n += 1) if (!taken.has(`${slug}-${n}`)) return `${slug}-${n}`;
}

export interface PagePatch {
  name?: string;
  slug?: string;
  page?: PublicPage;
  source?: string | null;
  tags?: string[];
}

/** Changes a page; visitors see it so from now on. @throws AppError not_found, conflict for an address that is taken, input_invalid with what is wrong with its blocks */
export async function updatePage(principal: Principal, id: string, patch: PagePatch): Promise<PageView> {
  const { accountId } = scopeFor(principal);
  if (patch.page) {
    const errors = pageErrors(patch.page);
    if (errors.length)
      throw invalid(errors.map(({ block, message }) => ({ field: block ? `page.blocks.${block}` : 'page', message })));
  }
  if (patch.slug !== undefined && slugOf(patch.slug) !== patch.slug)
    throw invalid([{ field: 'slug', message: 'use lowercase letters, digits, and hyphens' }]);
  await transact(async (tx) => {
    const before = await tx.first<{ page: PublicPage }>(
      `select page from doors where id = $1 and account_id = $2 and kind = 'page' and active for update`,
      [id, accountId],
    );
    if (!before) throw notFound('page');
    if (patch.page && patch.page.kind !== before.page.kind)
      throw invalid([{ field: 'page.kind', message: 'a page’s type can’t change; create another page' }]);
    if (patch.page) await checkNamed(tx, accountId, patch.page);
    if (patch.slug && (await tx.first('select 1 from doors where slug = $1 and id <> $2', [patch.slug, id])))
      throw new AppError('conflict', `Another page already uses /p/${patch.slug}. Nothing changed.`);
    await tx.run(
      `update doors set name = coalesce($3, name), slug = coalesce($4, slug), page = coalesce($5::jsonb, page), source = case when $6 then $7 else source end,
         defaults = case when $8::jsonb is null then defaults else defaults || jsonb_build_object('tags', $8::jsonb) end where id = $1 and account_id = $2`,
      [
        id,
        accountId,
        patch.name === undefined ? null : oneLine(patch.name) || null,
        patch.slug ?? null,
        patch.page ? JSON.stringify(patch.page) : null,
        patch.source !== undefined,
        oneLine(patch.source ?? '') || null,
        patch.tags ? JSON.stringify(patch.tags) : null,
      ],
    );
    await writeAudit(tx, principal, accountId, 'page.update', { doorId: id, what: Object.keys(patch) }, await now(tx));
  });
  forgetDoors();
  return readPage(principal, id);
}

/** Takes a page off the net. Its address answers as if it had never been; what came by it stays. @throws AppError not_found */
export async function deletePage(principal: Principal, id: string): Promise<void> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const row = await tx.first(
      `update doors set active = false, slug = null where id = $1 and account_id = $2 and kind = 'page' and active returning id`,
      [id, accountId],
    );
    if (!row) throw notFound('page');
    await writeAudit(tx, principal, accountId, 'page.delete', { doorId: id }, await now(tx));
  });
}

/** Pictures, people and homes that a page names must be of this account. */
async function checkNamed(tx: Tx, accountId: string, page: PublicPage): Promise<void> {
  const pictures = namedIn(page.blocks, 'picture');
  const users = usersOf(page);
  const numbers = listingsOf(page);
  const found = await tx.first<{ pictures: number; users: number; listings: number }>(
    `select (select count(*)::int from pictures where account_id = $1 and id = any($2::bigint[])) as pictures,
       (select count(*)::int from users where account_id = $1 and active and id = any($3::bigint[])) as users,
       (select count(*)::int from listings where account_id = $1 and number = any($4::text[])) as listings`,
    [accountId, pictures, users, numbers],
  );
  const missing = [
    ...(found!.pictures < new Set(pictures).size
      ? [{ field: 'page.blocks', message: 'a picture was deleted; choose it again' }]
      : []),
    ...(found!.users < new Set(users).size
      ? [{ field: 'page.blocks', message: 'an agent on this page no longer works here' }]
      : []),
    ...(found!.listings < new Set(numbers).size
      ? [{ field: 'page.listing', message: 'a home on this page isn’t in your listings' }]
      : []),
  ];
  if (missing.length) throw invalid(missing);
}

const invalid = (fields: { field: string; message: string }[]) =>
  new AppError('input_invalid', 'The page wasn’t saved.', { fields });

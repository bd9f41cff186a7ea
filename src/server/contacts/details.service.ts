/** What a contact has beyond its own row: tags, the account's own fields, important dates, those it shares a household with. */
import { AppError, notFound } from '@/core/shared';
import type { Principal, Scope } from '@/core/accounts';
import type { AddressState, AddressView, ImportantDate, MoreView } from '@/core/contacts';
import { dayOfYear, fieldRows, type FieldInput } from '@/core/fields';
import type { FieldDef } from '@/core/segments';
import { mayMakeTags, tagName } from '@/core/tags';
import { readSettings } from '../accounts';
import { nameSql, reader, type Tx } from '../shared';
import type { PointKind } from './typed-addresses';
import { visible } from './visible';

/** Of those who share an address with somebody no more are named. */
const MOST_SHARED = 20;

/** The fields that an account made for itself, in their order. */
export const listFields = (accountId: string, tx: Tx = reader()): Promise<FieldDef[]> =>
  tx.rows<FieldDef>(
    'select id, name, kind, choices from fields where account_id = $1 and deleted_at is null order by position, id',
    [accountId],
  );

/** @param scope whose eyes see with whom an address is shared */
export async function readMore(scope: Scope, contactId: string, tx: Tx): Promise<MoreView> {
  const bind: unknown[] = [contactId];
  const { points, ...more } = (await tx.first<
    Omit<MoreView, 'addresses'> & { points: (AddressView & { of: PointKind; error: string | null })[] }
  >(
    `select (select coalesce(jsonb_agg(jsonb_build_object('of', p.kind, 'value', p.value, 'kind', p.used_as, 'label', p.label, 'line_type', p.line_type, 'extension', p.extension, 'error', p.error,
         'shared_with', (select coalesce(jsonb_agg(jsonb_build_object('id', c.id::text, 'name', ${nameSql('c')}) order by c.id), '[]') from (select contact_id from contact_points s
            where s.account_id = p.account_id and s.kind = p.kind and s.value = p.value and s.active and s.contact_id <> p.contact_id order by s.contact_id limit ${MOST_SHARED}) o join contacts c on c.id = o.contact_id and c.deleted_at is null and ${visible(scope, bind)}))
         order by p.position, p.id), '[]') from contact_points p where p.contact_id = $1 and p.active) as points,
       m.* from (select c.campaigns_held,
       (select coalesce(jsonb_agg(jsonb_build_object('id', o.id::text, 'name', ${nameSql('o')}) order by o.id), '[]') from contacts o where o.household_id = c.household_id and o.id <> c.id and o.deleted_at is null) as household,
       (select coalesce(jsonb_agg(jsonb_build_object('id', l.id::text, 'name', ${nameSql('l')}) order by l.first_name), '[]') from contact_lenders a join users l on l.id = a.user_id where a.contact_id = c.id) as lenders,
       (select jsonb_build_object('id', a.id::text, 'text', coalesce(a.data->>'text', ''), 'at', a.at, 'by', ${nameSql('u')})
          from activities a left join users u on u.id = a.user_id where a.id = c.pinned_note_id and a.contact_id = c.id) as pinned_note
     from contacts c where c.id = $1) m`,
    bind,
  ))!;
  const of = (kind: PointKind): AddressView[] =>
    points
      .filter((point) => point.of === kind)
      .map(({ value, kind: use, label, line_type, extension, shared_with, error }) => ({
        value,
        kind: use,
        label,
        line_type,
        extension,
        state: addressState(error),
        shared_with,
      }));
  return { ...more, addresses: { phones: of('phone'), emails: of('email') } };
}
/** What is wrong with an address, told apart: one that isn't theirs, or one from which mail came back. */
const addressState = (error: string | null): AddressState => (!error ? 'good' : error.startsWith('wrong ') ? 'wrong' : 'bounced');

/** Whether somebody may give these tags: all are there, or they may make new ones. @throws AppError not_allowed */
export async function requireTags(tx: Tx, principal: Principal, names: string[]): Promise<void> {
  if (principal.kind !== 'user' || !names.length) return;
  const { accountId, role } = principal.user;
  if (mayMakeTags(role, (await readSettings(accountId, tx)).tagBarred)) return;
  const wanted = [...new Set(names.map((name) => tagName(name).toLowerCase()))];
  const known = await tx.rows(
    'select 1 from tags where account_id = $1 and deleted_at is null and lower(name) = any($2::text[])',
    [accountId, wanted],
  );
  if (known.length < wanted.length)
    throw new AppError('not_allowed', 'Only an owner or admin can add a tag. Choose one that’s already here.');
}

/**
 * The tags of a contact, by name. A name that is new becomes a tag.
 * @throws AppError not_allowed for a role that may not make new ones; nothing is changed then
 */
export async function setTags(tx: Tx, principal: Principal, contactId: string, names: string[], at: Date): Promise<void> {
  const accountId = principal.kind === 'user' ? principal.user.accountId : principal.accountId;
  const wanted = [...new Map(names.map((name) => [tagName(name).toLowerCase(), tagName(name)])).values()].filter(Boolean);
  await requireTags(tx, principal, wanted);
  await tx.run(
    `with made as (insert into tags (account_id, name, made_by, made_at) select $1, name, $4, $5 from unnest($3::text[]) name
         on conflict (account_id, lower(name)) where deleted_at is null do update set name = tags.name returning id),
       gone as (delete from contact_tags where contact_id = $2 and tag_id not in (select id from made))
     insert into contact_tags (contact_id, tag_id) select $2, id from made on conflict do nothing`,
    [accountId, contactId, wanted, principal.kind === 'user' ? principal.user.id : null, at],
  );
}

/** Sets some of the account's own fields; null takes a value away. @throws AppError input_invalid, not_found */
export async function setFields(tx: Tx, accountId: string, contactId: string, values: Record<string, FieldInput>): Promise<void> {
  const fields = await listFields(accountId, tx);
  for (const [id, value] of Object.entries(values)) {
    const field = fields.find((one) => one.id === id);
    if (!field) throw notFound('field');
    const rows = fieldRows(field, value);
    const linked = rows[0]?.linked_id;
    if (linked && !(await tx.first('select 1 from contacts where id = $1 and account_id = $2', [linked, accountId])))
      throw notFound('contact');
    await tx.run('delete from field_values where contact_id = $1 and field_id = $2', [contactId, id]);
    await tx.run(
      `insert into field_values (field_id, contact_id, ordinal, words, number, day, month_day, linked_id)
       select $1, $2, r.* from jsonb_to_recordset($3::jsonb) as r (ordinal smallint, words text, number numeric, day date, month_day int, linked_id bigint)`,
      [id, contactId, JSON.stringify(rows)],
    );
  }
}

/** The important dates of a contact, all of them. */
export async function setDates(tx: Tx, contactId: string, dates: ImportantDate[]): Promise<void> {
  await tx.run('delete from contact_dates where contact_id = $1', [contactId]);
  await tx.run(
    `insert into contact_dates (contact_id, kind, label, year, month_day) select $1, kind, label, year, month_day from jsonb_to_recordset($2::jsonb) as d (kind text, label text, year int, month_day int)`,
    [
      contactId,
      JSON.stringify(
        dates.map(({ kind, label, on }) => ({
          kind,
          label: label.trim(),
          year: /^\d{4}/.test(on) ? Number(on.slice(0, 4)) : null,
          month_day: dayOfYear(on),
        })),
      ),
    ],
  );
}

/** The phone numbers and emails of a contact, as a person sets them by hand: all of a kind in their order. An address may be that of several contacts; our own are nobody's. */
import Joi from 'joi';
import { AppError } from '@/core/shared';
import { scopeFor, type Principal } from '@/core/accounts';
import { cleanEmail, phoneOf, showPhone } from '@/core/capture';
import { isPlaceholder } from '@/core/identity';
import type { Activity } from '@/core/contacts';
import { lockAddresses, now, publish, transact, type Tx } from '../shared';
import { lockContact } from './contacts.repository';
import { ownAddresses } from './own-addresses';
import { recordActivities } from './record-activities';
import { refreshSearch } from './search';

const MOST = 20;
const list = Joi.array().items(Joi.string().max(260)).max(MOST);
/** What `PUT /api/v1/contacts/{id}/addresses` takes: those of a kind that is left out stay. */
export const addressesSchema = Joi.object({
  phones: list.example(['(564) 555-0123 x12']),
  emails: list.example(['oda@harbor.example']),
}).or('phones', 'emails');
/** Phone numbers and emails as they were typed. */
export interface TypedAddresses {
  phones?: string[];
  emails?: string[];
}

type Kind = 'phone' | 'email';
interface Point {
  value: string;
  extension: string | null;
}

/** @throws AppError input_invalid by field, not_found */
export async function setAddresses(principal: Principal, contactId: string, typed: TypedAddresses): Promise<void> {
  const wanted = { phone: read('phone', typed.phones), email: read('email', typed.emails) };
  const scope = scopeFor(principal);
  await transact(async (tx) => {
    /* Addresses before contacts, as whoever takes leads and files in does. */
    await lockAddresses(
      tx,
      scope.accountId,
      [...(wanted.phone ?? []), ...(wanted.email ?? [])].map(({ value }) => value),
    );
    await refuseOwn(tx, scope.accountId, wanted);
    const { ownerId } = await lockContact(scope, contactId, tx);
    const changes = [];
    for (const kind of ['phone', 'email'] as const)
      if (wanted[kind]) changes.push(...(await replacePoints(tx, principal, contactId, kind, wanted[kind])));
    if (!changes.length) return;
    const at = await now(tx);
    const line: Activity = {
      contactId,
      userId: principal.kind === 'user' ? principal.user.id : null,
      at,
      kind: 'changed',
      channel: null,
      direction: null,
      data: { text: changes.join('; ') },
      because: null,
    };
    await tx.run('update contacts set updated_at = $2 where id = $1', [contactId, at]);
    await recordActivities(tx, scope.accountId, [line]);
    await refreshSearch(tx, [contactId]);
    await publish(tx, { accountId: scope.accountId, topic: 'contact', contactId, ownerId });
  });
}

/** @throws AppError input_invalid for an address of the brokerage */
async function refuseOwn(tx: Tx, accountId: string, wanted: Partial<Record<Kind, Point[] | undefined>>): Promise<void> {
  for (const kind of ['phone', 'email'] as const) {
    const values = (wanted[kind] ?? []).map(({ value }) => value);
    const own = await ownAddresses(tx, accountId, values);
    const at = values.findIndex((value) => own.has(value));
    if (at >= 0) throw refusal(kind, at, `${shown(kind, values[at]!)} is your brokerage’s own`);
  }
}

const refusal = (kind: Kind, at: number, message: string): AppError =>
  new AppError('input_invalid', 'Couldn’t save the change.', { fields: [{ field: `${kind}s.${at}`, message }] });

function read(kind: Kind, typed: string[] | undefined): Point[] | undefined {
  if (!typed) return undefined;
  const points = typed
    .map((one) => one.trim())
    .filter(Boolean)
    .map((text, at) => {
      const point = kind === 'email' ? emailPoint(text) : phonePoint(text);
      if (!point)
        throw refusal(
          kind,
          at,
          kind === 'email' ? `“${text}” isn’t an email address` : `“${text}” isn’t a phone number. Enter one like (360) 555-0142`,
        );
      if (isPlaceholder(point.value))
        throw refusal(kind, at, `“${text}” isn’t anyone’s ${kind === 'email' ? 'email' : 'number'}`);
      return point;
    });
  return [...new Map(points.map((point) => [point.value, point])).values()];
}
const emailPoint = (text: string): Point | null => {
  const value = cleanEmail(text);
  return value ? { value, extension: null } : null;
};
const phonePoint = (text: string): Point | null => {
  const phone = phoneOf(text);
  return phone && { value: phone.number, extension: phone.extension };
};

const shown = (kind: Kind, value: string): string => (kind === 'phone' ? showPhone(value) : value);

/** @returns what changed, in words */
async function replacePoints(tx: Tx, principal: Principal, contactId: string, kind: Kind, wanted: Point[]): Promise<string[]> {
  const scope = scopeFor(principal);
  const before = await tx.rows<{ value: string }>(
    'select value from contact_points where contact_id = $1 and kind = $2 and active order by position, id',
    [contactId, kind],
  );
  const values = wanted.map(({ value }) => value);
  await tx.run(
    'update contact_points set active = false where contact_id = $1 and kind = $2 and active and value <> all($3::text[])',
    [contactId, kind, values],
  );
  /* One that stood here before is taken up again, with what is known of it. */
  await tx.run(
    `with wanted as (select value, extension, n from jsonb_to_recordset($3::jsonb) as x (value text, extension text, n int)),
       known as (select distinct on (p.value) p.id, w.extension, w.n from contact_points p join wanted w on w.value = p.value
         where p.contact_id = $2 and p.kind = $4 order by p.value, p.active desc, p.id),
       again as (update contact_points p set active = true, position = k.n, extension = coalesce(k.extension, p.extension) from known k where p.id = k.id returning p.value)
     insert into contact_points (account_id, contact_id, kind, value, position, extension)
     select $1, $2, $4, value, n, extension from wanted where value not in (select value from again)`,
    [scope.accountId, contactId, JSON.stringify(wanted.map((point, n) => ({ ...point, n }))), kind],
  );
  const had = before.map(({ value }) => value);
  return [
    ...values.filter((value) => !had.includes(value)).map((value) => `${shown(kind, value)} added`),
    ...had.filter((value) => !values.includes(value)).map((value) => `${shown(kind, value)} removed`),
    ...(values.join() !== had.join() && [...values].sort().join() === [...had].sort().join()
      ? [`${shown(kind, values[0]!)} comes first now`]
      : []),
  ];
}

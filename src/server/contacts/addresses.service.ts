/** The phone numbers and emails of a contact, as a person sets them by hand: all of a kind in their order. An address may be that of several contacts; our own are nobody's. */
import { scopeFor, type Principal } from '@/core/accounts';
import { lockAddresses, type Tx } from '../shared';
import { ownAddresses } from './own-addresses';
import {
  addressRefusal,
  readAddresses,
  shownAddressOf,
  type Point,
  type PointKind,
  type TypedAddresses,
} from './typed-addresses';

const KINDS = ['phone', 'email'] as const;
/** What is to stand under a contact; a kind that is left out stays. */
type Wanted = Partial<Record<PointKind, Point[] | undefined>>;

/**
 * Reads what was typed and locks it, before any contact is locked, as whoever takes leads and files in does.
 * @throws AppError input_invalid by field
 */
export async function lockTyped(tx: Tx, principal: Principal, typed: TypedAddresses): Promise<Wanted> {
  const { accountId } = scopeFor(principal);
  const wanted: Wanted = { phone: readAddresses('phone', typed.phones), email: readAddresses('email', typed.emails) };
  const all = KINDS.flatMap((kind) => wanted[kind] ?? []).map(({ value }) => value);
  await lockAddresses(tx, accountId, all);
  for (const kind of KINDS) {
    const values = (wanted[kind] ?? []).map(({ value }) => value);
    const own = await ownAddresses(tx, accountId, values);
    const at = values.findIndex((value) => own.has(value));
    if (at >= 0) throw addressRefusal(kind, at, `${shownAddressOf(kind, values[at]!)} is your brokerage’s own`);
  }
  return wanted;
}

/** Puts them in the place of those there are; the contact is locked. @returns what changed, in words */
export async function replaceAddresses(tx: Tx, principal: Principal, contactId: string, wanted: Wanted): Promise<string[]> {
  const changes: string[] = [];
  for (const kind of KINDS) {
    const points = wanted[kind];
    if (points) changes.push(...(await replacePoints(tx, principal, contactId, kind, points)));
  }
  return changes;
}

interface Before {
  value: string;
  kind: string | null;
  label: string | null;
  error: string | null;
}
const readPoints = (tx: Tx, contactId: string, kind: PointKind): Promise<Before[]> =>
  tx.rows<Before>(
    'select value, used_as as kind, label, error from contact_points where contact_id = $1 and kind = $2 and active order by position, id',
    [contactId, kind],
  );

async function replacePoints(
  tx: Tx,
  principal: Principal,
  contactId: string,
  kind: PointKind,
  wanted: Point[],
): Promise<string[]> {
  const before = await readPoints(tx, contactId, kind);
  await tx.run(
    'update contact_points set active = false where contact_id = $1 and kind = $2 and active and value <> all($3::text[])',
    [contactId, kind, wanted.map(({ value }) => value)],
  );
  const rows = wanted.map((point, n) => ({
    value: point.value,
    extension: point.extension,
    n,
    used_as: point.kind ?? null,
    says_use: point.kind !== undefined,
    label: point.label ?? null,
    says_label: point.label !== undefined,
    state: point.state ?? null,
  }));
  /* One that stood here before is taken up again, with what is known of it. */
  await tx.run(
    `with wanted as (select * from jsonb_to_recordset($3::jsonb) as x (value text, extension text, n int, used_as text, says_use bool, label text, says_label bool, state text)),
       known as (select distinct on (p.value) p.id, w.* from contact_points p join wanted w on w.value = p.value
         where p.contact_id = $2 and p.kind = $4 order by p.value, p.active desc, p.id),
       again as (update contact_points p set active = true, position = k.n, extension = coalesce(k.extension, p.extension),
           used_as = case when k.says_use then k.used_as else p.used_as end, label = case when k.says_label then k.label else p.label end,
           error = case k.state when 'good' then null when 'wrong' then $5 else p.error end, soft_bounces = case when k.state = 'good' then 0 else p.soft_bounces end
         from known k where p.id = k.id returning p.value)
     insert into contact_points (account_id, contact_id, kind, value, position, extension, used_as, label, error)
     select $1, $2, $4, value, n, extension, used_as, label, case when state = 'wrong' then $5 end from wanted where value not in (select value from again)`,
    [scopeFor(principal).accountId, contactId, JSON.stringify(rows), kind, WRONG[kind]],
  );
  return inWords(kind, before, await readPoints(tx, contactId, kind));
}
/** What stands with an address that isn't theirs. */
const WRONG: Record<PointKind, string> = { phone: 'wrong number', email: 'wrong email' };

function inWords(kind: PointKind, before: Before[], after: Before[]): string[] {
  const had = new Map(before.map((one) => [one.value, one]));
  const has = new Set(after.map(({ value }) => value));
  const shown = (value: string) => shownAddressOf(kind, value);
  const stayed = after.filter(({ value }) => had.has(value));
  const order = (points: Before[]) => points.map(({ value }) => value).filter((value) => has.has(value) && had.has(value));
  return [
    ...after.filter(({ value }) => !had.has(value)).map(({ value }) => `${shown(value)} added`),
    ...before.filter(({ value }) => !has.has(value)).map(({ value }) => `${shown(value)} removed`),
    ...stayed.flatMap((point) => whatChanged(shown(point.value), had.get(point.value)!, point)),
    ...(order(after).join() !== order(before).join() ? [`${shown(after[0]!.value)} comes first now`] : []),
  ];
}
const whatChanged = (shown: string, before: Before, after: Before): string[] => [
  ...(after.kind !== before.kind ? [`${shown} is ${after.kind ?? 'of no kind'} now`] : []),
  ...(after.label !== before.label ? [after.label ? `${shown} is labeled “${after.label}”` : `${shown} has no label now`] : []),
  ...(after.error !== before.error ? [after.error ? `${shown}: ${after.error}` : `${shown} works again`] : []),
];

/** The doors by which leads arrive. */
import { quietDoor, type DoorDefaults, type DoorView } from '@/core/capture';
import { notFound } from '@/core/shared';
import type { PublicPage } from '@/core/pages';
import type { Mapping } from '@/core/mail';
import type { Scope } from '@/core/accounts';
import { config, reader, type RowOf } from '../shared';
import type { doorsTable } from './doors.model';

export interface Door {
  id: string;
  accountId: string;
  kind: 'api' | 'page' | 'hand' | 'mail' | 'file';
  name: string;
  /** What a public page is made of; empty for other doors. */
  page: PublicPage;
  /** The lead source of everything that comes by it, when it has one. */
  source: string | null;
  defaults: DoorDefaults;
  mapping: Mapping;
  /** What comes is answered and not kept. */
  sandbox: boolean;
}

type DoorRow = Pick<
  RowOf<typeof doorsTable>,
  'id' | 'account_id' | 'kind' | 'name' | 'source' | 'defaults' | 'mapping' | 'sandbox'
> & {
  page: Door['page'];
};
const COLUMNS = 'd.id, d.account_id, d.kind, d.name, d.page, d.source, d.defaults, d.mapping, d.sandbox';
const doorOf = (row: DoorRow): Door => ({
  id: row.id,
  accountId: row.account_id,
  kind: row.kind,
  name: row.name,
  page: row.page,
  source: row.source,
  defaults: row.defaults,
  mapping: row.mapping,
  sandbox: row.sandbox,
});

/** Doors change seldom and are asked for with every lead: what is known holds this long. */
const KNOWN_MS = 3_000;
const known = new Map<string, { door: Door; until: number }>();

/** The account's own door of a kind; each account has one of every kind from the start. */
export async function doorOfKind(accountId: string, kind: Door['kind']): Promise<Door> {
  const cached = known.get(`${accountId}:${kind}`);
  if (cached && cached.until > Date.now()) return cached.door;
  const row = await reader().first<DoorRow>(
    `select ${COLUMNS} from doors d where account_id = $1 and kind = $2 and address is null and active order by id limit 1`,
    [accountId, kind],
  );
  if (!row) throw notFound('door');
  known.set(`${accountId}:${kind}`, { door: doorOf(row), until: Date.now() + KNOWN_MS });
  return doorOf(row);
}

/** A public page by the last part of its address. @throws AppError not_found */
export async function doorOfPage(slug: string): Promise<Door & { brokerage: string; zone: string }> {
  const row = await reader().first<DoorRow & { brokerage: string; zone: string }>(
    `select ${COLUMNS}, a.name as brokerage, a.time_zone as zone from doors d join accounts a on a.id = d.account_id where d.slug = $1 and d.kind = 'page' and d.active`,
    [slug],
  );
  if (!row) throw notFound('page');
  return { ...doorOf(row), brokerage: row.brokerage, zone: row.zone };
}

/** The lead mailbox of an address, by what stands before the @; null when there is none. */
export async function doorOfAddress(localPart: string): Promise<Door | null> {
  const row = await reader().first<DoorRow>(`select ${COLUMNS} from doors d where address = $1 and kind = 'mail' and active`, [
    localPart.toLowerCase(),
  ]);
  return row && doorOf(row);
}

/** The door for programs by the secret of its address. @throws AppError not_found */
export const doorOfSecret = (secret: string): Promise<Door> =>
  remembered(`in ${secret}`, 'd.address = $1', [secret.toLowerCase()]);

/** The door for programs that a key belongs to. @throws AppError not_found */
export const doorOfKey = (accountId: string, doorId: string): Promise<Door> =>
  remembered(`${accountId} key ${doorId}`, 'd.account_id = $1 and d.id = $2', [accountId, doorId]);

/** Any door of the account that is open; null when there is none. */
export async function doorOfId(accountId: string, id: string): Promise<Door | null> {
  const row = await reader().first<DoorRow>(`select ${COLUMNS} from doors d where d.id = $1 and d.account_id = $2 and d.active`, [
    id,
    accountId,
  ]);
  return row && doorOf(row);
}

async function remembered(name: string, condition: string, bind: unknown[]): Promise<Door> {
  const cached = known.get(name);
  if (cached && cached.until > Date.now()) return cached.door;
  const row = await reader().first<DoorRow>(
    `select ${COLUMNS} from doors d where ${condition} and d.kind = 'api' and d.active`,
    bind,
  );
  if (!row) throw notFound('door');
  if (known.size > 1_000) known.clear();
  known.set(name, { door: doorOf(row), until: Date.now() + KNOWN_MS });
  return doorOf(row);
}

/** What is known of doors is asked for anew. */
export const forgetDoors = (): void => known.clear();

/** The doors with their last arrival. The secret address of a mailbox is shown to whoever runs the office. */
export async function listDoors(scope: Scope, at: Date): Promise<DoorView[]> {
  const rows = await reader().rows<Omit<DoorView, 'quiet'> & { arrivals: number; gap_hours: number | null }>(
    `select d.id, d.kind, d.name, d.slug, d.address, d.source, d.defaults, d.mapping, d.sandbox, n.last_arrival_at, coalesce(n.arrivals_30_days, 0)::int as arrivals_30_days, h.arrivals, h.gap_hours from doors d
     left join lateral (select max(at) as last_arrival_at, sum(x.n) filter (where at > $2::timestamptz - interval '30 days') as arrivals_30_days from (
       select arrived_at as at, 1 as n from inquiries i where i.door_id = d.id
       union all select coalesce(ended_at, made_at), made from imports f where d.kind = 'file' and f.account_id = d.account_id and f.state = 'done') x) n on true
     left join lateral (select count(*)::int as arrivals, (percentile_cont(0.9) within group (order by gap))::float8 as gap_hours from (
       select extract(epoch from arrived_at - lag(arrived_at) over (order by arrived_at)) / 3600 as gap from inquiries i where i.door_id = d.id and i.arrived_at > $2::timestamptz - interval '60 days') gaps) h on true
     where d.account_id = $1 and d.active order by d.id`,
    [scope.accountId, at],
  );
  return rows.map(({ arrivals, gap_hours, ...door }) => ({
    ...door,
    address: door.address && scope.runsOffice ? addressOf(door.kind, door.address) : null,
    quiet: quietDoor({
      arrivals,
      usualGapHours: gap_hours,
      hoursSince: door.last_arrival_at && (at.getTime() - door.last_arrival_at.getTime()) / 3_600_000,
    }),
  }));
}

/** A lead mailbox is written to, a door for programs is called. */
const addressOf = (kind: Door['kind'], secret: string): string =>
  kind === 'api' ? `${config().publicUrl}/in/${secret}` : `${secret}@${config().mailDomain}`;

/** Doors as an office arranges them: what they give to all that comes by them; lead mailboxes and doors for programs, whose secret address is changed by a click. */
import { randomBytes } from 'node:crypto';
import { AppError, notFound } from '@/core/shared';
import { oneLine, type BodyRead, type DoorDefaults, type DoorView } from '@/core/capture';
import { scopeFor, type Principal } from '@/core/accounts';
import { now, readApart, writeAudit, transact, type Tx } from '../shared';
import type { Mapping } from '@/core/mail';
import { doorOfKey, forgetDoors, listDoors } from './doors.repository';
import { doorsTable } from './doors.model';

/** Letters and digits that nobody mistakes for each other when they read an address aloud. */
const SIGNS = 'abcdefghjkmnpqrstuvwxyz23456789';
const LENGTH = 12;
/** Whether what stands before an @ has the form of a lead mailbox. */
export const isMailboxAddress = (local: string): boolean =>
  local.length === LENGTH && [...local].every((sign) => SIGNS.includes(sign));
const secret = (): string => [...randomBytes(LENGTH)].map((byte) => SIGNS[byte % SIGNS.length]).join('');

const viewOf = async (principal: Principal, id: string): Promise<DoorView> =>
  (await listDoors(scopeFor(principal), await now())).find((door) => door.id === id)!;

/** Makes a lead mailbox, or a door for programs. @param source the lead source of everything that comes by it; null leaves it to each mail */
export async function createDoor(
  principal: Principal,
  input: { kind: 'mail' | 'api'; name: string; source?: string | null; defaults?: DoorDefaults },
): Promise<DoorView> {
  const { accountId } = scopeFor(principal);
  const name = oneLine(input.name);
  if (!name)
    throw new AppError('input_invalid', 'Couldn’t create the door.', { fields: [{ field: 'name', message: 'enter a name' }] });
  const id = await transact(async (tx) => {
    const at = await now(tx);
    const made = await doorsTable.insert(
      {
        account_id: accountId,
        kind: input.kind,
        name,
        address: secret(),
        source: oneLine(input.source ?? '') || null,
        created_at: at,
        defaults: input.defaults ?? {},
      },
      tx,
    );
    await writeAudit(tx, principal, accountId, 'door.create', { doorId: made.id, name }, at);
    return made.id;
  });
  return viewOf(principal, id);
}

/** Gives a mailbox or a door for programs a new address; what comes to the old one is refused from now on. @throws AppError not_found */
export async function rotateDoor(principal: Principal, id: string): Promise<DoorView> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const row = await tx.first(
      'update doors set address = $3 where id = $1 and account_id = $2 and address is not null and active returning id',
      [id, accountId, secret()],
    );
    if (!row) throw notFound('door');
    await writeAudit(tx, principal, accountId, 'door.rotate', { doorId: id }, await now(tx));
  });
  forgetDoors();
  return viewOf(principal, id);
}

/**
 * Closes a mailbox or a door for programs, or opens it again; what comes to one that is closed is refused, what came by it stays.
 * Its keys let nothing in meanwhile. @throws AppError not_found, also for the doors that every account has
 */
export async function closeDoor(principal: Principal, id: string, closed: boolean): Promise<void> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const row = await tx.first<{ name: string }>(
      `update doors set active = not $3 where id = $1 and account_id = $2 and address is not null and active = $3 returning name`,
      [id, accountId, closed],
    );
    if (!row) throw notFound('door');
    await writeAudit(
      tx,
      principal,
      accountId,
      closed ? 'door.remove' : 'door.restore',
      { doorId: id, name: row.name },
      await now(tx),
    );
  });
  forgetDoors();
}

/** What a door gives must be there. @throws AppError input_invalid */
async function checkGiven(tx: Tx, accountId: string, { horizon, campaign_id }: DoorDefaults): Promise<void> {
  const there = await tx.first<{ horizon: boolean; campaign: boolean }>(
    `select $2::text is null or exists (select 1 from horizons where account_id = $1 and key = $2 and deleted_at is null) as horizon,
       $3::bigint is null or exists (select 1 from campaigns where account_id = $1 and id = $3) as campaign`,
    [accountId, horizon ?? null, campaign_id ?? null],
  );
  const fields = [
    ...(there!.horizon ? [] : [{ field: 'defaults.horizon', message: 'is not a horizon' }]),
    ...(there!.campaign ? [] : [{ field: 'defaults.campaign_id', message: 'is not a campaign' }]),
  ];
  if (fields.length) throw new AppError('input_invalid', 'Couldn’t save the door.', { fields });
}

/** Renames a door, or changes what it gives to everything that comes by it. @throws AppError not_found, input_invalid */
export async function updateDoor(
  principal: Principal,
  id: string,
  patch: { name?: string; source?: string | null; defaults?: DoorDefaults; mapping?: Mapping; sandbox?: boolean },
): Promise<DoorView> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    await checkGiven(tx, accountId, patch.defaults ?? {});
    const { defaults, mapping, sandbox } = patch;
    const done = await doorsTable.update(
      {
        name: patch.name === undefined ? undefined : oneLine(patch.name),
        source: patch.source === undefined ? undefined : oneLine(patch.source ?? '') || null,
        defaults,
        mapping,
        sandbox,
      },
      { id, account_id: accountId, active: true },
      tx,
    );
    if (!done) throw notFound('door');
    await writeAudit(tx, principal, accountId, 'door.update', { doorId: id, ...patch }, await now(tx));
  });
  forgetDoors();
  return viewOf(principal, id);
}

/** How a door would read a body with a mapping; nothing is kept. @throws AppError not_found */
export async function readBody(principal: Principal, id: string, body: unknown, mapping: Mapping): Promise<BodyRead> {
  const door = await doorOfKey(scopeFor(principal).accountId, id);
  return readApart('bodyPreview', { body, mapping, door: { source: door.source, defaults: door.defaults } });
}

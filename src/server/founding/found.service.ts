/**
 * How a brokerage comes into being: its account with offices and users, the stages and horizons that a new account begins with, its built-in
 * doors, a campaign to begin with, a roster and a ladder that ends with a person. Production, the demo world and the tests found theirs here.
 */
import type { Role, Settings } from '@/core/accounts';
import { NEW_BUYER, type Plan } from '@/core/campaigns';
import { HORIZONS, STAGES } from '@/core/contacts';
import type { Tree } from '@/core/segments';
import { AppError } from '@/core/shared';
import type { Tx } from '../shared';

/** Offices, users, rosters and campaigns are named by their place in their list. */
export interface Founding {
  name: string;
  timeZone: string;
  settings?: Partial<Settings>;
  offices: string[];
  users: {
    role: Role;
    firstName: string;
    lastName: string;
    email: string;
    phone: string | null;
    /** Of `hashPassword`. */
    passwordHash: string;
    office: number | null;
    timeZone?: string;
    dayGoal?: number;
    awayUntil?: Date | null;
  }[];
  /** Beside those that every account has. A world that is the same everywhere says their ids. */
  doors?: {
    id?: string;
    kind: DoorKind;
    name: string;
    slug?: string;
    source?: string;
    address?: string;
    page?: object;
    defaults?: object;
  }[];
  /** Without any: the starter for new buyers, as a draft. */
  campaigns?: { name: string; group: string | null; plan: Plan; state: 'draft' | 'on'; createdAt?: Date }[];
  /** Without any: one with all agents, or with whoever leads where there are none. */
  rosters?: { name: string; members: { user: number; handed?: number }[]; last?: number | null }[];
  /** Without any: one that takes everybody. The first user is the safety net of each roster. */
  rungs?: { tree: Tree; roster: number; campaign: number | null }[];
}

/** What was made, each in the order it was given. */
export interface Founded {
  accountId: string;
  officeIds: string[];
  userIds: string[];
  campaignIds: string[];
  rosterIds: string[];
}

type DoorKind = 'api' | 'page' | 'hand' | 'mail' | 'file';
/** The ways in that every account has. */
const BUILT_IN: Record<Exclude<DoorKind, 'page'>, string> = {
  api: 'Lead sources',
  hand: 'Added by hand',
  mail: 'Mail door',
  file: 'Files',
};
const EVERYBODY: Tree = { all: [] };

/** @throws AppError input_invalid without somebody who runs the office */
export async function foundBrokerage(tx: Tx, founding: Founding, at: Date): Promise<Founded> {
  if (!founding.users.some(({ role }) => role === 'owner' || role === 'admin'))
    throw new AppError('input_invalid', 'A brokerage needs an owner or admin.', {
      fields: [{ field: 'users', message: 'somebody must run the office' }],
    });
  const account = await tx.first<{ id: string }>(
    'insert into accounts (name, time_zone, settings) values ($1, $2, $3::jsonb) returning id',
    [founding.name, founding.timeZone, JSON.stringify(founding.settings ?? {})],
  );
  const accountId = account!.id;
  const officeIds = await each(founding.offices, (name) =>
    idOf(tx, 'insert into offices (account_id, name) values ($1, $2) returning id', [accountId, name]),
  );
  const userIds = await foundUsers(tx, accountId, founding, officeIds);
  await foundVocabulary(tx, accountId);
  await foundDoors(tx, accountId, founding.doors ?? []);
  const campaignIds = await foundCampaigns(tx, accountId, founding.campaigns ?? [starter()], at);
  const rosterIds = await foundLadder(tx, accountId, founding, userIds, campaignIds);
  return { accountId, officeIds, userIds, campaignIds, rosterIds };
}

const starter = () => ({ name: NEW_BUYER.name, group: NEW_BUYER.group, plan: NEW_BUYER.plan, state: 'draft' as const });

const foundUsers = (tx: Tx, accountId: string, { users, timeZone }: Founding, officeIds: string[]): Promise<string[]> =>
  each(users, (user) =>
    idOf(
      tx,
      `insert into users (account_id, office_id, role, first_name, last_name, email, phone, time_zone, password_hash, day_goal, away_until)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11) returning id`,
      [
        accountId,
        user.office === null ? null : officeIds[user.office],
        user.role,
        user.firstName,
        user.lastName,
        user.email.toLowerCase(),
        user.phone,
        user.timeZone ?? timeZone,
        user.passwordHash,
        user.dayGoal ?? 30,
        user.awayUntil ?? null,
      ],
    ),
  );

async function foundVocabulary(tx: Tx, accountId: string): Promise<void> {
  await tx.run(
    `insert into stages (account_id, key, name, meaning, position)
     select $1, key, name, meaning, n - 1 from jsonb_array_elements($2::jsonb) with ordinality as a (one, n), jsonb_to_record(one) as x (key text, name text, meaning text)`,
    [accountId, JSON.stringify(STAGES)],
  );
  await tx.run(
    `insert into horizons (account_id, key, name, meaning, position, rhythm_days, strokes)
     select $1, key, name, meaning, n - 1, "rhythmDays", strokes from jsonb_array_elements($2::jsonb) with ordinality as a (one, n),
       jsonb_to_record(one) as x (key text, name text, meaning text, "rhythmDays" int, strokes int)`,
    [accountId, JSON.stringify(HORIZONS)],
  );
}

/** Those given, and of those that every account has whatever is not among them under its name. */
async function foundDoors(tx: Tx, accountId: string, given: NonNullable<Founding['doors']>): Promise<void> {
  const builtIn = Object.entries(BUILT_IN).map(([kind, name]) => ({ kind: kind as DoorKind, name }));
  const all = [...given, ...builtIn.filter(({ kind, name }) => !given.some((one) => one.kind === kind && one.name === name))];
  await each(all, (door: (typeof given)[number]) =>
    tx.run(
      `insert into doors (id, account_id, kind, name, slug, page, address, source, defaults) overriding system value
       values (coalesce($1, nextval(pg_get_serial_sequence('doors', 'id'))), $2, $3, $4, $5, $6::jsonb, $7, $8, $9::jsonb)`,
      [
        door.id ?? null,
        accountId,
        door.kind,
        door.name,
        door.slug ?? null,
        JSON.stringify(door.page ?? {}),
        door.address ?? null,
        door.source ?? null,
        JSON.stringify(door.defaults ?? {}),
      ],
    ),
  );
}

const foundCampaigns = (tx: Tx, accountId: string, campaigns: NonNullable<Founding['campaigns']>, at: Date): Promise<string[]> =>
  each(campaigns, async ({ name, group, plan, state, createdAt = at }) => {
    const id = await idOf(
      tx,
      'insert into campaigns (account_id, name, state, exclusive_group, created_at) values ($1, $2, $3, $4, $5) returning id',
      [accountId, name, state, group, createdAt],
    );
    await tx.run(
      'insert into campaign_versions (account_id, campaign_id, number, plan, made_at) values ($1, $2, 1, $3::jsonb, $4)',
      [accountId, id, JSON.stringify(plan), createdAt],
    );
    return id;
  });

async function foundLadder(
  tx: Tx,
  accountId: string,
  { users, rosters, rungs }: Founding,
  userIds: string[],
  campaignIds: string[],
): Promise<string[]> {
  const rosterIds = await each(rosters ?? [everybody(users)], async ({ name, members, last = null }) => {
    const id = await idOf(
      tx,
      'insert into rosters (account_id, name, safety_net_id, last_user_id) values ($1, $2, $3, $4) returning id',
      [accountId, name, userIds[0], last === null ? null : userIds[last]],
    );
    await each(members, ({ user, handed = 0 }, at) =>
      tx.run('insert into roster_members (roster_id, user_id, position, handed) values ($1, $2, $3, $4)', [
        id,
        userIds[user],
        at + 1,
        handed,
      ]),
    );
    return id;
  });
  await each(rungs ?? [{ tree: EVERYBODY, roster: 0, campaign: null }], ({ tree, roster, campaign }, at) =>
    tx.run('insert into rungs (account_id, position, tree, roster_id, campaign_id) values ($1, $2, $3::jsonb, $4, $5)', [
      accountId,
      at + 1,
      JSON.stringify(tree),
      rosterIds[roster],
      campaign === null ? null : campaignIds[campaign],
    ]),
  );
  return rosterIds;
}

function everybody(users: Founding['users']): NonNullable<Founding['rosters']>[number] {
  const agents = users.flatMap(({ role }, user) => (role === 'agent' ? [{ user }] : []));
  return { name: 'Everybody', members: agents.length ? agents : [{ user: 0 }] };
}

const idOf = async (tx: Tx, sql: string, bind: unknown[]): Promise<string> => (await tx.first<{ id: string }>(sql, bind))!.id;
/** One after the other, so that ids are in the order of the list. */
async function each<T, Out>(list: readonly T[], work: (one: T, at: number) => Promise<Out>): Promise<Out[]> {
  const done: Out[] = [];
  for (const [at, one] of list.entries()) done.push(await work(one, at));
  return done;
}

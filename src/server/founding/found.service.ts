/**
 * How a brokerage comes into being: its account with offices and users, the stages and horizons that a new account begins with, its built-in
 * doors, a campaign to begin with, a roster and a ladder that ends with a person. Production, the demo world and the tests found theirs here.
 */
import type { Role, Settings } from '@/core/accounts';
import { STARTERS, type Plan } from '@/core/campaigns';
import { HORIZONS, STAGES } from '@/core/contacts';
import type { Tree } from '@/core/segments';
import { AppError } from '@/core/shared';
import { accountsTable, officesTable, usersTable } from '../accounts';
import { campaignsTable, campaignVersionsTable } from '../campaigns';
import { rosterMembersTable, rostersTable, rungsTable } from '../routing';
import type { Tx } from '../shared';
import { horizonsTable, stagesTable } from '../vocabulary';

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
  /** Without any: the starters, as drafts. */
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
      fields: [{ field: 'users', message: 'someone must run the office' }],
    });
  const { name, timeZone: time_zone, settings = {} } = founding;
  const { id: accountId } = await accountsTable.insert({ name, time_zone, settings }, tx);
  const officeIds = await each(founding.offices, (office) =>
    idOf(officesTable.insert({ account_id: accountId, name: office }, tx)),
  );
  const userIds = await foundUsers(tx, accountId, founding, officeIds);
  await foundVocabulary(tx, accountId);
  await foundDoors(tx, accountId, founding.doors ?? []);
  const campaignIds = await foundCampaigns(tx, accountId, founding.campaigns ?? drafts(), at);
  const rosterIds = await foundLadder(tx, accountId, founding, userIds, campaignIds);
  return { accountId, officeIds, userIds, campaignIds, rosterIds };
}

/** Every starter, to read before it is turned on. */
const drafts = () => STARTERS.map(({ name, group, plan }) => ({ name, group, plan, state: 'draft' as const }));

const foundUsers = (tx: Tx, accountId: string, { users, timeZone }: Founding, officeIds: string[]): Promise<string[]> =>
  each(users, (user) =>
    idOf(
      usersTable.insert(
        {
          account_id: accountId,
          office_id: user.office === null ? null : officeIds[user.office],
          role: user.role,
          first_name: user.firstName,
          last_name: user.lastName,
          email: user.email.toLowerCase(),
          phone: user.phone,
          time_zone: user.timeZone ?? timeZone,
          password_hash: user.passwordHash,
          day_goal: user.dayGoal ?? 30,
          away_until: user.awayUntil ?? null,
        },
        tx,
      ),
    ),
  );

async function foundVocabulary(tx: Tx, accountId: string): Promise<void> {
  await each(STAGES, ({ key, name, meaning }, position) =>
    stagesTable.insert({ account_id: accountId, key, name, meaning, position }, tx),
  );
  await each(HORIZONS, ({ key, name, meaning, rhythmDays: rhythm_days, strokes }, position) =>
    horizonsTable.insert({ account_id: accountId, key, name, meaning, position, rhythm_days, strokes }, tx),
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
      campaignsTable.insert({ account_id: accountId, name, state, exclusive_group: group, created_at: createdAt }, tx),
    );
    await campaignVersionsTable.insert({ account_id: accountId, campaign_id: id, number: 1, plan, made_at: createdAt }, tx);
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
    const last_user_id = last === null ? null : userIds[last];
    const id = await idOf(rostersTable.insert({ account_id: accountId, name, safety_net_id: userIds[0]!, last_user_id }, tx));
    await each(members, ({ user, handed = 0 }, at) =>
      rosterMembersTable.insert({ roster_id: id, user_id: userIds[user]!, position: at + 1, handed }, tx),
    );
    return id;
  });
  await each(rungs ?? [{ tree: EVERYBODY, roster: 0, campaign: null }], ({ tree, roster, campaign }, at) =>
    rungsTable.insert(
      {
        account_id: accountId,
        position: at + 1,
        tree,
        roster_id: rosterIds[roster]!,
        campaign_id: campaign === null ? null : campaignIds[campaign],
      },
      tx,
    ),
  );
  return rosterIds;
}

function everybody(users: Founding['users']): NonNullable<Founding['rosters']>[number] {
  const agents = users.flatMap(({ role }, user) => (role === 'agent' ? [{ user }] : []));
  return { name: 'Everyone', members: agents.length ? agents : [{ user: 0 }] };
}

const idOf = async (made: Promise<{ id: string }>): Promise<string> => (await made).id;
/** One after the other, so that ids are in the order of the list. */
async function each<T, Out>(list: readonly T[], work: (one: T, at: number) => Promise<Out>): Promise<Out[]> {
  const done: Out[] = [];
  for (const [at, one] of list.entries()) done.push(await work(one, at));
  return done;
}

/** Writing the demo world into an empty database, in one transaction: half a world is never seen. */
import { contactPage, writeMarket } from './market';
import { writeWords } from './words';
import { NEW_BUYER } from '@/core/campaigns';
import { KEY_SCOPES } from '@/core/accounts';
import { hashPassword } from '@/server/accounts';
import { foundBrokerage } from '@/server/founding';
import { hashed, transact, type Tx } from '@/server/shared';
import { drawWorld, RUNGS, WHO, type DemoWorld } from './draw';
import { AWAY, BROKERAGE, POSTAL_ADDRESS, COLLEAGUES, DEMO_KEY, PASSWORD, START, ZONE } from './settings';
import { writeContacts } from './write-contacts';

const TABLES_WITH_IDS = [
  'accounts',
  'offices',
  'users',
  'doors',
  'contacts',
  'inquiries',
  'activities',
  'rosters',
  'rungs',
  'campaigns',
  'campaign_versions',
  'enrollments',
  'outbox',
  'calls',
  'tasks',
  'tags',
  'offers',
  'routings',
  'ladder_versions',
  'listings',
];

/** Makes the demo world. The database must hold the schema and nothing else. */
export async function writeWorld(): Promise<{ contacts: number; activities: number }> {
  const world = drawWorld();
  const passwordHash = await hashPassword(PASSWORD);
  return transact(async (tx) => {
    await foundDemo(tx, passwordHash, world);
    await writeLadder(tx);
    await writeMarket(tx);
    const activities = await writeContacts(tx, world.contacts);
    await tx.run(
      `insert into sources (account_id, name, key, state, first_at) select 1, min(source), lower(source), 'known', min(created_at) from contacts where source is not null group by lower(source) on conflict do nothing`,
    );
    for (const table of TABLES_WITH_IDS)
      await tx.run(
        `select setval(pg_get_serial_sequence('${table}', 'id'), coalesce((select max(id) from ${table}), 0) + 1, false)`,
      );
    await writeWords(tx);
    await tx.run(
      `update clock set mode = 'simulated', held_at = null, seen_at = $1, offset_ms = round(extract(epoch from $1::timestamptz - clock_timestamp()) * 1000)`,
      [START],
    );
    return { contacts: world.contacts.length, activities };
  });
}

/** The lead mailbox of the demo, always the same so that it can be written to from outside. */
const MAILBOX = 'quayd2rn4k7m';
/** The secret address of the demo's door for programs. */
const PROGRAMS = 'heronw9s4t6k';

const DOORS: Parameters<typeof foundBrokerage>[1]['doors'] = [
  { id: '1', kind: 'api', name: 'Lead sources' },
  { id: '2', kind: 'page', name: 'Homes in Lantern County', slug: 'lantern-county', page: contactPage() },
  { id: '3', kind: 'hand', name: 'Added by hand' },
  { id: '4', kind: 'mail', name: 'Mail door' },
  { id: '9', kind: 'file', name: 'Files' },
  { id: '5', kind: 'mail', name: 'Portal mails', address: MAILBOX },
  {
    id: '6',
    kind: 'api',
    name: 'Valuation site',
    address: PROGRAMS,
    source: 'Valuation site',
    defaults: { roles: ['seller'] },
  },
];

async function foundDemo(tx: Tx, passwordHash: string, world: DemoWorld): Promise<void> {
  const placeOf = (id: string): number => COLLEAGUES.findIndex((one) => one.id === id);
  await foundBrokerage(
    tx,
    {
      name: BROKERAGE,
      timeZone: ZONE,
      settings: { postalAddress: POSTAL_ADDRESS },
      offices: ['Quillhaven', 'Petrel Point'],
      users: COLLEAGUES.map((one) => ({
        role: one.role,
        firstName: one.first,
        lastName: one.last,
        email: `${one.login}@urraca.example`,
        phone: one.phone,
        passwordHash,
        office: one.office === null ? null : Number(one.office) - 1,
        dayGoal: one.role === 'caller' ? 80 : 30,
        awayUntil: one.id === AWAY.userId ? AWAY.until : null,
      })),
      doors: DOORS,
      campaigns: [
        {
          name: NEW_BUYER.name,
          group: NEW_BUYER.group,
          plan: NEW_BUYER.plan,
          state: 'on',
          createdAt: new Date(START.getTime() - 200 * 86_400_000),
        },
      ],
      rosters: world.rosters.map(({ name, lastUserId, members }) => ({
        name,
        members: members.map(({ userId, handed }) => ({ user: placeOf(userId), handed })),
        last: lastUserId === null ? null : placeOf(lastUserId),
      })),
      rungs: RUNGS.map(({ tree, rosterId, campaignId }) => ({
        tree: tree,
        roster: Number(rosterId) - 1,
        campaign: campaignId === null ? null : Number(campaignId) - 1,
      })),
    },
    START,
  );
  await tx.run(
    'insert into api_keys (account_id, name, key_hash, hint, scopes, created_by) values (1, $1, $2, $3, $4::text[], 1)',
    ['Demo key', hashed(DEMO_KEY), `…${DEMO_KEY.slice(-4)}`, [...KEY_SCOPES]],
  );
}

/** The ladder as traces refer to it. */
const writeLadder = (tx: Tx): Promise<void> =>
  tx.run(`insert into ladder_versions (account_id, made_at, made_by, rungs) values (1, $1, 'Ines Kolar', $2::jsonb)`, [
    new Date(START.getTime() - 200 * 86_400_000),
    JSON.stringify(
      RUNGS.map((rung) => ({
        ...rung,
        who: WHO[rung.id],
        parts: [WHO[rung.id]],
        roster: rung.rosterId === '1' ? 'Coast agents' : 'Listing desk',
      })),
    ),
  ]);

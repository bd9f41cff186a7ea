/** Writing the demo world into an empty database, in one transaction: half a world is never seen. */
import { contactPage, writeMarket } from './market';
import { writeOrder } from './order';
import { writeWords } from './words';
import { NEW_BUYER } from '@/core/campaigns';
import { foldFact, handRaisedAt, nextTouch, noFacts, type Because } from '@/core/contacts';
import { KEY_SCOPES } from '@/core/accounts';
import { hashPassword } from '@/server/accounts';
import { foundBrokerage } from '@/server/founding';
import { FACT_COLUMNS, rowOfFacts, writeSearch } from '@/server/contacts';
import { hashed, transact, type Tx } from '@/server/shared';
import type { Trace } from '@/core/routing';
import { drawWorld, RUNGS, WHO, type DemoWorld } from './draw';
import { AWAY, BROKERAGE, POSTAL_ADDRESS, COLLEAGUES, DEMO_KEY, nameOf, PASSWORD, START, ZONE } from './settings';
import type { WorldContact } from './contact';

const CHUNK = 2_000;

/** Inserts rows in chunks, the columns with their PostgreSQL types. */
async function insert(tx: Tx, table: string, columns: Record<string, string>, rows: object[]): Promise<void> {
  const names = Object.keys(columns).join(', ');
  const typed = Object.entries(columns)
    .map(([name, type]) => `${name} ${type}`)
    .join(', ');
  const identity = 'id' in columns ? 'overriding system value' : '';
  for (let at = 0; at < rows.length; at += CHUNK) {
    await tx.run(
      `insert into ${table} (${names}) ${identity} select ${names} from jsonb_to_recordset($1::jsonb) as x (${typed})`,
      [JSON.stringify(rows.slice(at, at + CHUNK))],
    );
  }
}

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
const account = { account_id: 1 };

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
      doors: [
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
      ],
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

async function writeContacts(tx: Tx, contacts: WorldContact[]): Promise<number> {
  await insert(
    tx,
    'contacts',
    {
      id: 'bigint',
      account_id: 'bigint',
      office_id: 'bigint',
      owner_id: 'bigint',
      first_name: 'text',
      last_name: 'text',
      stage: 'text',
      stage_since: 'timestamptz',
      archived_because: 'text',
      horizon: 'text',
      roles: 'text[]',
      source: 'text',
      time_zone: 'text',
      street: 'text',
      city: 'text',
      postal_code: 'text',
      wants: 'jsonb',
      do_not_contact: 'boolean',
      hand_raised_at: 'timestamptz',
      last_touch_at: 'timestamptz',
      next_touch_at: 'timestamptz',
      next_touch_kind: 'text',
      owned_since: 'timestamptz',
      created_at: 'timestamptz',
      updated_at: 'timestamptz',
    },
    contacts.map(contactRow),
  );
  await insert(
    tx,
    'contact_facts',
    {
      contact_id: 'bigint',
      ...Object.fromEntries(FACT_COLUMNS.map((name) => [name, name.endsWith('_at') ? 'timestamptz' : 'int'])),
    },
    contacts.map((contact) => ({ contact_id: contact.id, ...rowOfFacts(factsOf(contact)) })),
  );
  await insert(
    tx,
    'contact_points',
    {
      account_id: 'bigint',
      contact_id: 'bigint',
      kind: 'text',
      value: 'text',
      position: 'int',
      active: 'boolean',
      fault: 'text',
    },
    contacts.flatMap((contact) => [
      ...(contact.phone
        ? [
            {
              ...account,
              contact_id: contact.id,
              kind: 'phone',
              value: contact.phone,
              position: 0,
              active: true,
              fault: contact.phoneFault,
            },
          ]
        : []),
      ...(contact.email
        ? [{ ...account, contact_id: contact.id, kind: 'email', value: contact.email, position: 0, active: true, fault: null }]
        : []),
    ]),
  );
  await writeTags(tx, contacts);
  await writePermissions(tx, contacts);
  const activities = await writeHistory(tx, contacts);
  await writeOrder(tx, contacts);
  await writeSearch(tx, 'true');
  await tx.run(
    `insert into contact_lenders (contact_id, user_id) select id, 12 from contacts where 'buyer' = any(roles) and stage in ('talking','client','under_contract') and id % 4 = 0`,
  );
  return activities;
}

const factsOf = (contact: WorldContact) => contact.activities.reduce(foldFact, noFacts());

function contactRow(contact: WorldContact): object {
  const facts = factsOf(contact);
  const open = contact.tasks.filter((task) => !task.doneAt).sort((a, b) => a.dueAt.getTime() - b.dueAt.getTime())[0] ?? null;
  const next = nextTouch(contact.stage, contact.horizon, open, facts.lastTouchAt ?? contact.createdAt);
  const stageLine = contact.activities.filter((activity) => activity.kind === 'stage').at(-1);
  const owner = COLLEAGUES.find(({ id }) => id === contact.ownerId)!;
  return {
    id: contact.id,
    ...account,
    office_id: owner.office,
    owner_id: contact.ownerId,
    first_name: contact.first,
    last_name: contact.last,
    stage: contact.stage,
    stage_since: stageLine?.at ?? contact.createdAt,
    archived_because: contact.stage === 'archived' ? 'Moved away' : null,
    horizon: contact.horizon,
    roles: contact.roles,
    source: contact.source,
    time_zone: ZONE,
    street: contact.street,
    city: contact.town.name,
    postal_code: contact.postalCode,
    wants: contact.wants,
    do_not_contact: false,
    hand_raised_at: handRaisedAt(facts),
    last_touch_at: facts.lastTouchAt ?? new Date(0),
    next_touch_at: next?.at ?? null,
    next_touch_kind: next?.kind ?? null,
    owned_since: contact.createdAt,
    created_at: contact.createdAt,
    updated_at: contact.activities.at(-1)?.at ?? contact.createdAt,
  };
}

async function writeTags(tx: Tx, contacts: WorldContact[]): Promise<void> {
  const names = [...new Set(contacts.flatMap((contact) => contact.tags))].sort();
  await insert(
    tx,
    'tags',
    { id: 'bigint', account_id: 'bigint', name: 'text' },
    names.map((name, at) => ({ id: at + 1, ...account, name })),
  );
  await insert(
    tx,
    'contact_tags',
    { contact_id: 'bigint', tag_id: 'bigint' },
    contacts.flatMap((contact) => contact.tags.map((tag) => ({ contact_id: contact.id, tag_id: names.indexOf(tag) + 1 }))),
  );
}

async function writePermissions(tx: Tx, contacts: WorldContact[]): Promise<void> {
  const rows = contacts.flatMap((contact) =>
    contact.permissions.map((one) => ({
      ...account,
      channel: one.channel,
      address: one.channel === 'email' ? contact.email : contact.phone,
      state: one.state,
      how: one.how,
      for_good: one.forGood,
      at: one.at,
    })),
  );
  const common = { account_id: 'bigint', channel: 'text', address: 'text', state: 'text', how: 'text', at: 'timestamptz' };
  await insert(tx, 'permission_changes', common, rows);
  await insert(tx, 'permissions', { ...common, for_good: 'boolean' }, rows);
}

/** Activities, calls, messages, tasks, inquiries, offers, enrollments; references between them by ids given here. */
async function writeHistory(tx: Tx, contacts: WorldContact[]): Promise<number> {
  let lastCall = 0;
  let lastMessage = 0;
  let lastEnrollment = 0;
  const calls: (Record<string, unknown> & { ref: string })[] = [];
  const outbox: object[] = [];
  const tasks: object[] = [];
  const enrollments: object[] = [];
  const lines: { at: Date; row: Record<string, unknown> & { callRef?: string } }[] = [];
  for (const contact of contacts) {
    const callIds = contact.calls.map(() => ++lastCall);
    const enrollmentId = contact.enrollment ? ++lastEnrollment : null;
    const messageIds = new Map(contact.messages.map((message) => [message, ++lastMessage]));
    contact.calls.forEach((call, at) => {
      calls.push({
        id: callIds[at]!,
        ref: `${contact.id}#${at}`,
        ...account,
        contact_id: contact.id,
        user_id: contact.ownerId,
        key: `w-${callIds[at]}`,
        direction: 'out',
        number: contact.phone,
        state: 'ended',
        outcome: call.outcome,
        outcome_by: contact.ownerId,
        note: call.note,
        started_at: call.startedAt,
        answered_at: call.answeredAt,
        ended_at: call.endedAt,
        talk_seconds: call.talkSeconds,
      });
    });
    for (const [message, id] of messageIds) {
      outbox.push({
        id,
        ...account,
        key: `w-e${enrollmentId}-s${message.step}`,
        channel: message.channel,
        contact_id: contact.id,
        enrollment_id: enrollmentId,
        user_id: contact.ownerId,
        address: message.channel === 'text' ? contact.phone : message.channel === 'email' ? contact.email : null,
        payload: { text: message.text, subject: message.subject, step: message.step },
        automatic: true,
        due_at: message.at,
        state: 'sent',
        attempts: 1,
        sent_at: message.at,
        created_at: message.at,
      });
    }
    for (const task of contact.tasks) {
      tasks.push({
        ...account,
        contact_id: contact.id,
        user_id: contact.ownerId,
        kind: task.kind,
        due_at: task.dueAt,
        note: task.note,
        key: task.key ? `e${enrollmentId}-s2` : null,
        done_at: task.doneAt,
        created_at: contact.createdAt,
      });
    }
    if (contact.enrollment) {
      const { state, step, startedAt, dueAt, endedAt, because } = contact.enrollment;
      enrollments.push({
        id: enrollmentId,
        ...account,
        campaign_id: 1,
        version_id: 1,
        contact_id: contact.id,
        state,
        step,
        started_at: startedAt,
        due_at: dueAt,
        planned_at: dueAt,
        ended_at: endedAt,
        because,
      });
    }
    const sentInOrder = [...messageIds];
    for (const activity of contact.activities) {
      const data = { ...activity.data };
      const callRef = data.callId ? `${contact.id}${data.callId}` : undefined;
      if (callRef) data.callId = String(callIds[Number(data.callId!.slice(1))]);
      if (data.outboxId)
        data.outboxId = String(
          sentInOrder.find(
            ([message]) => message.at.getTime() === activity.at.getTime() && message.channel === activity.channel,
          )?.[1] ?? '',
        );
      lines.push({
        at: activity.at,
        row: {
          ...account,
          contact_id: contact.id,
          user_id: activity.userId,
          at: activity.at,
          kind: activity.kind,
          channel: activity.channel,
          direction: activity.direction,
          data,
          because: activity.because,
          callRef,
        },
      });
    }
  }
  lines.sort((a, b) => a.at.getTime() - b.at.getTime());
  const activityOfCall = new Map(lines.flatMap(({ row }, at) => (row.callRef ? [[row.callRef, at + 1] as const] : [])));
  await insert(
    tx,
    'activities',
    {
      id: 'bigint',
      account_id: 'bigint',
      contact_id: 'bigint',
      user_id: 'bigint',
      at: 'timestamptz',
      kind: 'text',
      channel: 'text',
      direction: 'text',
      data: 'jsonb',
      because: 'jsonb',
    },
    lines.map(({ row }, at) => ({ id: at + 1, ...row })),
  );
  await insert(
    tx,
    'calls',
    {
      id: 'bigint',
      account_id: 'bigint',
      contact_id: 'bigint',
      user_id: 'bigint',
      key: 'text',
      direction: 'text',
      number: 'text',
      state: 'text',
      outcome: 'text',
      outcome_by: 'text',
      note: 'text',
      started_at: 'timestamptz',
      answered_at: 'timestamptz',
      ended_at: 'timestamptz',
      talk_seconds: 'int',
      activity_id: 'bigint',
    },
    calls.map((call) => ({ ...call, activity_id: activityOfCall.get(call.ref) })),
  );
  await insert(
    tx,
    'enrollments',
    {
      id: 'bigint',
      account_id: 'bigint',
      campaign_id: 'bigint',
      version_id: 'bigint',
      contact_id: 'bigint',
      state: 'text',
      step: 'int',
      started_at: 'timestamptz',
      due_at: 'timestamptz',
      planned_at: 'timestamptz',
      ended_at: 'timestamptz',
      because: 'jsonb',
    },
    enrollments,
  );
  await insert(
    tx,
    'outbox',
    {
      id: 'bigint',
      account_id: 'bigint',
      key: 'text',
      channel: 'text',
      contact_id: 'bigint',
      enrollment_id: 'bigint',
      user_id: 'bigint',
      address: 'text',
      payload: 'jsonb',
      automatic: 'boolean',
      due_at: 'timestamptz',
      state: 'text',
      attempts: 'int',
      sent_at: 'timestamptz',
      created_at: 'timestamptz',
    },
    outbox,
  );
  await insert(
    tx,
    'tasks',
    {
      account_id: 'bigint',
      contact_id: 'bigint',
      user_id: 'bigint',
      kind: 'text',
      due_at: 'timestamptz',
      note: 'text',
      key: 'text',
      done_at: 'timestamptz',
      created_at: 'timestamptz',
    },
    tasks,
  );
  await writeInquiries(
    tx,
    contacts.filter((contact) => contact.kind === 'lead'),
  );
  return lines.length;
}

async function writeInquiries(tx: Tx, leads: WorldContact[]): Promise<void> {
  const arrivals = leads
    .flatMap((lead) => [
      { lead, at: lead.createdAt, ask: lead.ask, firstTryAt: lead.firstTryAt, back: false },
      ...(lead.cameBack ? [{ lead, ...lead.cameBack, back: true }] : []),
    ])
    .sort((a, b) => a.at.getTime() - b.at.getTime());
  const rows = arrivals.map(({ lead, at, ask, firstTryAt, back }, n) => {
    const person = {
      first_name: lead.first,
      last_name: lead.last,
      emails: lead.email ? [lead.email] : [],
      phones: lead.phone ? [lead.phone] : [],
    };
    const raw = {
      person,
      roles: lead.roles,
      source: lead.source,
      message: ask,
      place: { city: lead.town.name, postal_code: lead.postalCode },
      wants: lead.wants,
    };
    return {
      id: n + 1,
      ...account,
      door_id: Number(lead.id) % 6 === 0 ? 2 : 1,
      contact_id: lead.id,
      source: lead.source,
      raw,
      parsed: {
        ask,
        firstName: lead.first,
        lastName: lead.last,
        emails: person.emails,
        phones: person.phones,
        roles: lead.roles,
        city: lead.town.name,
        postalCode: lead.postalCode,
        wants: lead.wants,
        message: ask,
      },
      matched: back,
      owner_id: lead.ownerId,
      rung_id: back ? null : lead.routed!.rungId,
      because: back ? { why: 'returning', agent: nameOf(lead.ownerId) } : lead.routed!.because,
      arrived_at: at,
      first_try_at: firstTryAt,
    };
  });
  await insert(
    tx,
    'inquiries',
    {
      id: 'bigint',
      account_id: 'bigint',
      door_id: 'bigint',
      contact_id: 'bigint',
      source: 'text',
      raw: 'jsonb',
      parsed: 'jsonb',
      matched: 'boolean',
      owner_id: 'bigint',
      rung_id: 'bigint',
      because: 'jsonb',
      arrived_at: 'timestamptz',
      first_try_at: 'timestamptz',
    },
    rows,
  );
  await insert(
    tx,
    'offers',
    {
      id: 'bigint',
      account_id: 'bigint',
      inquiry_id: 'bigint',
      contact_id: 'bigint',
      user_id: 'bigint',
      offered_at: 'timestamptz',
      answered_at: 'timestamptz',
      state: 'text',
      roster_id: 'bigint',
      taken_at: 'timestamptz',
    },
    rows.map((row) => ({
      id: row.id,
      ...account,
      inquiry_id: row.id,
      contact_id: row.contact_id,
      user_id: row.owner_id,
      offered_at: row.arrived_at,
      answered_at: row.first_try_at,
      state: 'given',
      roster_id: row.rung_id,
      taken_at: row.arrived_at,
    })),
  );
  await insert(
    tx,
    'routings',
    {
      id: 'bigint',
      account_id: 'bigint',
      inquiry_id: 'bigint',
      contact_id: 'bigint',
      version_id: 'bigint',
      rung_id: 'bigint',
      roster_id: 'bigint',
      state: 'text',
      trace: 'jsonb',
      begun_at: 'timestamptz',
      owned_at: 'timestamptz',
    },
    rows.map((row) => ({
      id: row.id,
      ...account,
      inquiry_id: row.id,
      contact_id: row.contact_id,
      version_id: 1,
      rung_id: row.rung_id,
      roster_id: row.rung_id,
      state: 'settled',
      trace: traceOf(row.because as Because, row.rung_id, row.arrived_at),
      begun_at: row.arrived_at,
      owned_at: row.arrived_at,
    })),
  );
}

/** The way of an inquiry of the demo world: its rungs give at once. */
function traceOf(because: Because, rungId: string | null, arrivedAt: Date): Trace {
  const at = arrivedAt.toISOString();
  if (because.why === 'returning')
    return { unmet: [], rung: null, steps: [{ at, what: 'fixed', why: 'returning', agent: because.agent }] };
  if (because.why !== 'round_robin')
    return {
      unmet: RUNGS.map(() => 0),
      rung: null,
      steps: [{ at, what: 'safety_net', agent: nameOf('1'), roster: null, cause: 'no_rung', skipped: [] }],
    };
  const skipped = because.skipped.map((name) => ({ name, why: 'away' as const }));
  return {
    unmet: RUNGS.slice(0, Number(rungId) - 1).map(() => 0),
    rung: because.rung,
    steps: [{ at, what: 'given', roster: because.roster, how: 'round robin', agent: because.agent, seconds: null, skipped }],
  };
}

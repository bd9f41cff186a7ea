/**
 * A year of campaigns with random answers, stops, edits, holds and crashes, two workers at work, judged by the simulator's own record:
 * no touch twice, none after an exit, none outside quiet hours, none over a cap, none without permission; the same seed, the same record.
 * Everybody is in two campaigns: `YEAR_PEOPLE=10000` are the 20,000 enrollments of the drill; every test run has fewer people.
 */
import { NO_PLAN, type Plan, type Step } from '@/core/campaigns';
import { DAY, HOUR, localMinutes, MINUTE, seeded } from '@/core/shared';
import { MONDAY_MORNING, openApp, type TestApp } from '../harness/test-app';
import type { SentMessage } from '../../simulator/record';

const PEOPLE = Number(process.env.YEAR_PEOPLE ?? 24);
const YEAR = 365;
/** With many people nearly every minute has somebody due; then all that is due within so long happens at its end. */
const STRIDE = PEOPLE > 500 ? 10 * MINUTE : 1;
/** Long enough for an edit, a hold and those who are held alone. */
const SEASON = 125;
const ZONES = ['America/Los_Angeles', 'America/New_York', 'America/Denver'];
const CAPS = { capDay: 2, capWeek: 4, capMonth: 9 };
const GAP_HOURS = 4;

const day = (days: number, at: string) => ({ after: 'start', days, at }) as const;
const words = (id: number) => ({
  subject: `Step ${id}`,
  text: `Step ${id}, {hello|good day} {{ first_name }}. Test House. Reply STOP to opt out.`,
  plain: `Step ${id}`,
});
const touch = (id: number, channel: 'text' | 'email' | 'letter' | 'call', when: Step['when']): Step => ({
  id,
  do: 'touch',
  channel,
  when,
  words: words(id),
});
/** Two campaigns that people are in at the same time: the caps hold over both. */
const PLANS: Partial<Plan>[] = [
  {
    steps: [
      touch(0, 'text', { after: 'start', minutes: 0 }),
      touch(1, 'email', day(1, '09:00')),
      touch(2, 'call', day(2, '10:00')),
      {
        id: 3,
        do: 'branch',
        when: day(3, '09:00'),
        ask: { about: 'has_email' },
        yes: [touch(4, 'email', day(3, '20:45')), touch(5, 'text', { after: 'last', minutes: 30 })],
        no: [touch(6, 'text', day(3, '06:00'))],
      },
      touch(7, 'letter', day(5, '09:00')),
      touch(8, 'text', day(5, '22:30')),
    ],
    repeat: { days: 60, times: 6 },
  },
  {
    steps: [touch(0, 'email', day(0, '11:00')), touch(1, 'text', day(1, '08:00')), touch(2, 'email', day(10, '17:00'))],
    repeat: { days: 21, times: null },
    ends: { ...NO_PLAN.ends, answered: 'pause', pauseDays: 14 },
  },
];

/** Everything due up to an instant, by two workers at the same time; now and then one dies with rows in its hands. */
async function passTo(app: TestApp, to: Date, random: () => number): Promise<void> {
  const { m, db } = app;
  const nextDue = async (): Promise<Date | null> => {
    const known = [await m.campaigns.nextDue(db), await m.messages.nextOutbox(db), app.world.agenda.next()];
    const times = known.flatMap((one) => (one === null ? [] : [Number(one)]));
    return times.length ? new Date(Math.min(...times)) : null;
  };
  let at = await m.shared.now();
  for (;;) {
    await app.setClock(at);
    await db.run(
      `insert into processes (id, kind) values ('one', 'worker'), ('two', 'worker') on conflict (id) do update set seen_at = clock_timestamp()`,
    );
    for (;;) {
      const ran = await app.world.agenda.run();
      if (random() < 0.1) await diesWithRows(app, random);
      const moved = await Promise.all(['one', 'two'].map((id) => m.pulse.carryOutRound(id, app.outside)));
      if (ran + moved[0]! + moved[1]! === 0) break;
    }
    const due = await nextDue();
    if (!due || due > to) break;
    const next = Math.max(due.getTime(), at.getTime() + 1);
    at = new Date(Math.min(to.getTime(), Math.ceil(next / STRIDE) * STRIDE));
  }
  await app.setClock(to);
}

/** A worker claims rows and is gone, before or after it handed the first to its provider; it was never seen alive, so they are free at once. */
async function diesWithRows({ m, outside }: TestApp, random: () => number): Promise<void> {
  await m.campaigns.carryOutDue(250);
  const { messages } = await m.messages.claimOutbox('dead', 5);
  const [first] = messages;
  if (first?.channel === 'text' && random() < 0.5)
    await outside.sms.send({ key: first.key, from: first.agent.phone ?? '', to: first.to, body: first.text });
}

interface Exit {
  prefix: string;
  at: Date;
}

async function live(seed: string, people: number, days: number) {
  const random = seeded(seed).next;
  /* How often a worker dies depends on how the two take turns; what people do must not. */
  const crashes = seeded(`${seed} crashes`).next;
  const app = await openApp();
  const { m, db } = app;
  const ada = app.as('Ada');
  await db.run(`update accounts set settings = settings || $1::jsonb`, [
    JSON.stringify({ ...CAPS, textGapHours: GAP_HOURS, holidays: ['12-25', '01-01'] }),
  ]);
  await db.run(
    `insert into contacts (account_id, owner_id, office_id, first_name, last_name, stage, stage_since, roles, time_zone, street, city, postal_code, created_at, updated_at)
     select 1, 2 + n % 3, 1, 'P' || n, 'Year', 'new', $1, '{seller}', ($2::text[])[1 + n % 3], n || ' Heron Lane', 'Saltmarsh', '98741', $1, $1 from generate_series(1, $3::int) n`,
    [MONDAY_MORNING, ZONES, people],
  );
  await app.completePeople();
  await db.run(
    `insert into contact_points (account_id, contact_id, kind, value) select 1, id, 'phone', '+1564' || lpad(id::text, 7, '0') from contacts union all select 1, id, 'email', 'y' || id || '@year.example' from contacts where id % 5 <> 0`,
  );
  await db.run(
    `insert into permissions (account_id, channel, address, state, how, at) select 1, 'text', value, 'granted', 'asked', $1 from contact_points where kind = 'phone' and contact_id % 7 <> 0`,
    [MONDAY_MORNING],
  );
  await db.run('update contacts set do_not_contact = true where id % 41 = 0');
  const zones = new Map(
    (await db.rows<{ id: string; time_zone: string }>('select id, time_zone from contacts')).map((row) => [
      row.id,
      row.time_zone,
    ]),
  );
  for (const id of zones.keys()) {
    const after = (): string => `PT${1 + Math.floor(random() * 60)}H`;
    const body = (): string => (random() < 0.3 ? 'STOP' : 'yes, thank you');
    if (random() < 0.35)
      app.world.people.script(`+1564${id.padStart(7, '0')}`, { answers: [{ to: 'text', after: after(), body: body() }] });
    if (random() < 0.25)
      app.world.people.script(`y${id}@year.example`, {
        answers: Array.from({ length: 1 + Math.floor(random() * 3) }, () => ({
          to: 'email' as const,
          after: after(),
          body: body(),
        })),
      });
  }
  const campaigns = [];
  for (const [n, plan] of PLANS.entries()) {
    const draft = await m.campaigns.createCampaign(ada, { name: `Year ${n}` });
    const saved = await m.campaigns.saveVersion(ada, draft.id, { plan: { ...NO_PLAN, ...plan }, seen: draft.version.id });
    campaigns.push(await m.campaigns.updateCampaign(ada, saved.id, { state: 'on' }));
  }
  for (const { id } of campaigns)
    await db.run(
      `insert into enrollments (account_id, campaign_id, version_id, contact_id, started_at, due_at, planned_at, step) select 1, $1::bigint, (select max(id) from campaign_versions where campaign_id = $1::bigint), id, $2, $2, $2, 0 from contacts where not do_not_contact or id % 2 = 0 order by id`,
      [id, MONDAY_MORNING],
    );
  const at = (days: number) => new Date(MONDAY_MORNING.getTime() + days * DAY);
  const holds: [Date, Date][] = [];
  const held = new Map<string, [Date, Date]>();
  await passTo(app, at(40), crashes);
  for (const [n, people_] of (['move', 'stay'] as const).entries()) {
    const now = await m.campaigns.findCampaign(app.scope, campaigns[n]!.id);
    const steps = [...now.plan.steps, touch(now.free_id, 'email', day(12, '13:00'))];
    await m.campaigns.saveVersion(ada, now.id, { plan: { ...now.plan, steps }, seen: now.version.id, people: people_ });
  }
  await passTo(app, at(60), crashes);
  await m.accounts.updateSettings(ada, { campaigns_held: true });
  holds.push([await m.shared.now(), at(64)]);
  await passTo(app, at(64), crashes);
  await m.accounts.updateSettings(ada, { campaigns_held: false });
  for (const id of [...zones.keys()].filter(() => random() < 0.04)) {
    await m.campaigns.holdContact(ada, id, true);
    held.set(id, [at(64), at(120)]);
  }
  await passTo(app, at(120), crashes);
  for (const id of held.keys()) await m.campaigns.holdContact(ada, id, false);
  for (const { id } of await db.rows<{ id: string }>(`select id from enrollments where state = 'active' and id % 17 = 0`))
    await m.campaigns.stopEnrollment(ada, id);
  await passTo(app, at(days), crashes);
  /* The one confirmation of a stop answers at once, whatever the hour; that there is one each is asked apart. */
  const isConfirmation = (key: string): boolean => key.startsWith('stopped-');
  const messages = app.received().filter(({ channel }) => channel !== 'call');
  const record = messages.filter(({ key }) => !isConfirmation(key));
  const confirmed = messages.filter(({ key }) => isConfirmation(key));
  expect(confirmed.length).toBeGreaterThan(0);
  expect(new Set(confirmed.map(({ to }) => to)).size).toBe(confirmed.length);
  const exits = await db.rows<{ id: string; at: Date }>(`select id, ended_at as at from enrollments where ended_at is not null`);
  const stops = await db.rows<{ address: string; channel: string; at: Date }>(
    `select address, channel, min(at) as at from permission_changes where state = 'withdrawn' group by 1, 2`,
  );
  const contactOf = new Map(
    (await db.rows<{ key: string; contact_id: string }>('select key, contact_id from outbox')).map((row) => [
      row.key,
      row.contact_id,
    ]),
  );
  const repeats = app.world.record.repeats;
  const differences = await app.verified();
  await app.close();
  return {
    record,
    contactOf,
    exits: exits.map(({ id, at: when }): Exit => ({ prefix: `e${id}-`, at: when })),
    stops,
    zones,
    holds,
    held,
    repeats,
    differences,
  };
}

const told = (record: SentMessage[]): string =>
  JSON.stringify(
    record.map(({ key, channel, to, at, body }) => [key, channel, to, at, body]).sort((a, b) => (a[0]! < b[0]! ? -1 : 1)),
  );

test('a year judged by what the outside world received', async () => {
  const { record, contactOf, exits, stops, zones, holds, held, repeats, differences } = await live(
    process.env.YEAR_SEED ?? 'year',
    PEOPLE,
    YEAR,
  );
  expect(record.length).toBeGreaterThan(PEOPLE * 8);
  expect(differences).toEqual([]);
  /* Twice: a key is taken once by the record itself; here, that no step of a round has two keys. */
  expect(new Set(record.map(({ key }) => key)).size).toBe(record.length);
  expect(repeats).toBeGreaterThan(0);
  const by = new Map<string, SentMessage[]>();
  for (const one of record) by.set(contactOf.get(one.key)!, [...(by.get(contactOf.get(one.key)!) ?? []), one]);
  const ended = new Map(exits.map(({ prefix, at }) => [prefix, at]));
  const wrong: string[] = [];
  for (const one of record) {
    const at = new Date(one.at);
    const contact = contactOf.get(one.key)!;
    const end = ended.get(one.key.slice(0, one.key.indexOf('-') + 1));
    if (end && at > end) wrong.push(`${one.key} after its exit`);
    if (one.channel !== 'letter') {
      const minutes = localMinutes(at, zones.get(contact)!);
      if (minutes < 8 * 60 || minutes >= 21 * 60) wrong.push(`${one.key} at ${minutes} minutes`);
    }
    if (one.channel === 'text' && Number(contact) % 7 === 0) wrong.push(`${one.key} without permission`);
    if (Number(contact) % 41 === 0) wrong.push(`${one.key} to somebody who is not to be contacted`);
    const stop = stops.find((no) => no.channel === one.channel && no.address.toLowerCase() === one.to.toLowerCase());
    if (stop && at > stop.at) wrong.push(`${one.key} after a no`);
    if (holds.some(([from, to]) => at > from && at < to)) wrong.push(`${one.key} while all is held`);
    const own = held.get(contact);
    if (own && at > own[0] && at < own[1]) wrong.push(`${one.key} while they are held`);
  }
  for (const all of by.values()) {
    const times = all.map(({ at }) => Date.parse(at)).sort((a, b) => a - b);
    for (const [days, most] of [
      [1, CAPS.capDay],
      [7, CAPS.capWeek],
      [30, CAPS.capMonth],
    ] as const)
      for (let n = most; n < times.length; n += 1)
        if (times[n]! - times[n - most]! < days * DAY) wrong.push(`more than ${most} within ${days} days`);
    const texts = all
      .filter(({ channel }) => channel === 'text')
      .map(({ at }) => Date.parse(at))
      .sort((a, b) => a - b);
    for (let n = 1; n < texts.length; n += 1) if (texts[n]! - texts[n - 1]! < GAP_HOURS * HOUR) wrong.push('two texts too near');
  }
  expect(wrong.slice(0, 20)).toEqual([]);
}, 7_200_000);

test('the same seed gives the same record, another seed another', async () => {
  const few = Math.min(PEOPLE, 8);
  const days = Math.ceil(SEASON / 3);
  const one = told((await live('same', few, days)).record);
  expect(one.length).toBeGreaterThan(0);
  expect(told((await live('same', few, days)).record)).toBe(one);
  expect(told((await live('other', few, days)).record)).not.toBe(one);
}, 600_000);

/** Campaigns: made, kept as versions, begun by themselves, paused and ended as they say, held at once; touches within their caps. */
import { NO_PLAN, STARTERS, type Plan, type Step } from '@/core/campaigns';
import { appForEach } from '../harness/each';

const app = appForEach();
const touch = (id: number, when: Step['when'], channel: 'text' | 'email' | 'letter' = 'email'): Step => ({
  id,
  when,
  do: 'touch',
  channel,
  words: { subject: `Step ${id}`, text: `Step ${id}`, plain: `Step ${id}` },
});
const day = (days: number, at = '10:00') => ({ after: 'start', days, at }) as const;
const plan = (more: Partial<Plan>): Plan => ({ ...NO_PLAN, ...more });

/** A campaign that is on. */
async function made(more: Partial<Plan>, name = 'Test campaign') {
  const ada = app().as('Ada');
  const { campaigns } = app().m;
  const draft = await campaigns.createCampaign(ada, { name });
  const saved = await campaigns.saveVersion(ada, draft.id, { plan: plan(more), seen: draft.version.id });
  return campaigns.updateCampaign(ada, saved.id, { state: 'on' });
}
const somebody = async (n: number, more: object = {}) =>
  (
    await app().arrives({
      first_name: `P${n}`,
      emails: [`p${n}@people.example`],
      roles: ['seller'],
      permissions: { email: true },
      ...more,
    })
  ).contact.id;
const went = async (contactId: string) =>
  (
    await app().db.rows<{ at: string; subject: string }>(
      `select to_char(at at time zone 'America/Los_Angeles', 'MM-DD HH24:MI') as at, data->>'subject' as subject from activities where contact_id = $1 and kind = 'message' and direction = 'out' order by id`,
      [contactId],
    )
  ).map(({ at, subject }) => `${at} ${subject}`);
const enrollments = (contactId: string) =>
  app().db.rows<{ state: string; step: number; why: string }>(
    `select state, step, because->>'why' as why from enrollments where contact_id = $1 order by id`,
    [contactId],
  );

test('a starter becomes a draft, is copied, switched on and off; a draft with errors cannot be switched on', async () => {
  const { campaigns } = app().m;
  const ada = app().as('Ada');
  for (const { key, name, plan: own } of STARTERS) {
    const draft = await campaigns.createCampaign(ada, { name, starter: key });
    expect(draft).toMatchObject({ state: 'draft', plan: own, may_change: true });
    expect(await campaigns.updateCampaign(ada, draft.id, { state: 'on' })).toMatchObject({ state: 'on' });
  }
  const empty = await campaigns.createCampaign(ada, { name: 'Empty' });
  await expect(campaigns.updateCampaign(ada, empty.id, { state: 'on' })).rejects.toMatchObject({ code: 'input_invalid' });
  const copy = await campaigns.copyCampaign(app().as('Abel'), '1', 'Mine');
  expect(copy).toMatchObject({ state: 'draft', shared: false, may_change: true });
  expect((await campaigns.listCampaigns(app().scopeOf('Brisa'))).map(({ name }) => name)).not.toContain('Mine');
  await expect(campaigns.updateCampaign(app().as('Abel'), '1', { name: 'x' })).rejects.toMatchObject({ code: 'not_allowed' });
  await campaigns.deleteCampaign(app().as('Abel'), copy.id);
  await expect(campaigns.findCampaign(app().scopeOf('Abel'), copy.id)).rejects.toMatchObject({ code: 'not_found' });
});

test('an edit while it runs: people stay with their version, or move behind what they have had; nothing goes twice', async () => {
  const { campaigns } = app().m;
  const ada = app().as('Ada');
  const one = await made({ steps: [touch(0, { after: 'start', minutes: 0 }), touch(1, day(3)), touch(2, day(5))] });
  const [stays, moves] = [await somebody(1), await somebody(2)];
  for (const id of [stays, moves]) await campaigns.enrollContact(ada, id, one.id);
  await app().advance('PT30H');
  const edited = plan({
    steps: [touch(3, { after: 'start', minutes: 0 }), touch(0, { after: 'start', minutes: 5 }), touch(2, day(4))],
  });
  expect(await campaigns.previewVersion(ada, one.id, edited)).toEqual({
    people: 2,
    twice: {},
    never: { 3: 2 },
    astray: 2,
  });
  await campaigns.stopEnrollment(
    ada,
    (await app().db.first<{ id: string }>('select id from enrollments where contact_id = $1 order by id desc', [stays]))!.id,
  );
  const saved = await campaigns.saveVersion(ada, one.id, { plan: edited, seen: one.version.id, people: 'move' });
  expect(saved.version.number).toBe(one.version.number + 1);
  await expect(campaigns.saveVersion(ada, one.id, { plan: edited, seen: one.version.id })).rejects.toMatchObject({
    code: 'conflict',
  });
  await app().advance('P8D');
  expect(await went(moves)).toEqual(['11-23 10:00 Step 0', '11-27 10:00 Step 2']);
  expect(await went(stays)).toEqual(['11-23 10:00 Step 0']);
});

test('whoever comes to be among those named comes in, once; who was so before does not', async () => {
  const tree = { on: 'town', how: 'any', of: ['Saltmarsh'] } as const;
  const before = await somebody(1, { place: { city: 'Saltmarsh' } });
  const later = await somebody(2, { place: { city: 'Quillhaven' } });
  await made({
    starts: [{ on: 'enter', tree: { ...tree, of: [...tree.of] } }],
    steps: [touch(0, { after: 'start', minutes: 0 })],
  });
  await app().advance('PT2H');
  expect([await enrollments(before), await enrollments(later)]).toEqual([[], []]);
  await app().db.run(`update contacts set city = 'Saltmarsh' where id = $1`, [later]);
  await app().advance('PT3H');
  expect(await enrollments(before)).toEqual([]);
  expect(await enrollments(later)).toMatchObject([{ state: 'finished' }]);
  expect(await went(later)).toHaveLength(1);
  await app().advance('PT5H');
  expect(await enrollments(later)).toHaveLength(1);
});

test('a birthday begins it a week before, at the contact’s nine o’clock, every year; clients too where it says so', async () => {
  const id = await somebody(1);
  await app().db.run(`insert into contact_dates (contact_id, kind, label, month_day) values ($1, 'birthday', '', 1205)`, [id]);
  await app().m.contacts.updateContact(app().as('Ada'), id, { stage: 'past_client' });
  await made({
    anyStage: true,
    starts: [{ on: 'date', date: 'birthday', days: -7, at: '09:00' }],
    steps: [touch(0, { after: 'start', minutes: 0 })],
  });
  await app().advance('P8D');
  expect(await went(id)).toEqual(['11-28 09:00 Step 0']);
});

test('inquiries by a source begin it, beside what the rung begins', async () => {
  await made({ starts: [{ on: 'inquiry', doors: [], sources: ['Newspaper'] }], steps: [touch(0, day(1))] }, 'By newspaper');
  const [by, other] = [await somebody(1, { source: 'newspaper' }), await somebody(2, { source: 'Sign' })];
  expect((await enrollments(by)).map(({ why }) => why)).toEqual(['arrived']);
  expect(await enrollments(other)).toEqual([]);
});

test('an answer ends one campaign, pauses another, and lets a third go on; what then happens is done once', async () => {
  const steps = [touch(0, { after: 'start', minutes: 0 }), touch(1, day(2)), touch(2, day(9))];
  const tag = (await app().m.tags.createTag(app().as('Ada'), { name: 'spoke' })).id;
  const ends = (answered: 'end' | 'pause' | 'on', then: Plan['ends']['then'] = []) => ({
    steps,
    ends: { ...NO_PLAN.ends, answered, then },
  });
  const id = await somebody(1);
  for (const [name, more] of [
    [
      'Ends',
      ends('end', [
        { set: 'tag', tagId: tag },
        { set: 'horizon', horizon: 'warm' },
      ]),
    ],
    ['Pauses', ends('pause')],
    ['Goes on', ends('on')],
  ] as const)
    await app().m.campaigns.enrollContact(app().as('Ada'), id, (await made(more, name)).id);
  app().world.people.script('p1@people.example', { answers: [{ to: 'email', after: 'PT2H', body: 'Yes please' }] });
  await app().advance('PT6H');
  expect((await enrollments(id)).map(({ state, why }) => `${state} ${why}`)).toEqual([
    'stopped answered',
    'paused put_in_by',
    'active put_in_by',
  ]);
  expect(await app().contact(id)).toMatchObject({ tags: ['spoke'], horizon: 'warm' });
  expect((await app().story(id)).filter((line) => line.includes('By “Ends”'))).toHaveLength(2);
  await app().advance('P14D');
  expect((await enrollments(id)).map(({ state }) => state)).toEqual(['stopped', 'finished', 'finished']);
});

test('all campaigns held by one switch, or for one person: nothing goes by itself, and it goes on where it stood', async () => {
  const one = await made({ steps: [touch(0, day(1)), touch(1, day(2))] });
  const [held, other] = [await somebody(1), await somebody(2)];
  for (const id of [held, other]) await app().m.campaigns.enrollContact(app().as('Ada'), id, one.id);
  await app().m.campaigns.holdContact(app().as('Ada'), held, true);
  await app().advance('P1DT2H');
  expect([(await went(held)).length, (await went(other)).length]).toEqual([0, 1]);
  await app().m.accounts.updateSettings(app().as('Ada'), { campaigns_held: true });
  await app().advance('P2D');
  expect([(await went(held)).length, (await went(other)).length]).toEqual([0, 1]);
  await app().m.accounts.updateSettings(app().as('Ada'), { campaigns_held: false });
  await app().m.campaigns.holdContact(app().as('Ada'), held, false);
  await app().advance('P2D');
  expect([(await went(held)).length, (await went(other)).length]).toEqual([2, 2]);
});

test('two campaigns at once keep to the caps of the person, over both together', async () => {
  const many = Array.from({ length: 4 }, (_, id) => touch(id, { after: 'start', minutes: id }));
  const id = await somebody(1);
  for (const name of ['One', 'Two'])
    await app().m.campaigns.enrollContact(app().as('Ada'), id, (await made({ steps: many }, name)).id);
  await app().advance('PT5H');
  expect(await went(id)).toHaveLength(2);
  await app().advance('P30D');
  const all = await app().db.rows<{ at: Date }>(
    `select at from activities where contact_id = $1 and kind = 'message' and direction = 'out' order by at`,
    [id],
  );
  expect(all).toHaveLength(8);
  for (const { at } of all) {
    const within = (days: number) =>
      all.filter((one) => one.at <= at && one.at.getTime() > at.getTime() - days * 86_400_000).length;
    expect([within(1) <= 2, within(7) <= 5, within(30) <= 12]).toEqual([true, true, true]);
  }
});

test('a draft and a campaign that is off take nobody, whoever puts them in; a held one does, and they wait', async () => {
  const { campaigns } = app().m;
  const ada = app().as('Ada');
  const one = await made({ steps: [touch(0, day(1))] });
  await campaigns.updateCampaign(ada, one.id, { state: 'off' });
  const id = await somebody(1);
  await expect(campaigns.enrollContact(ada, id, one.id)).rejects.toMatchObject({ code: 'conflict' });
  await app().db.run('update rungs set campaign_id = $1', [one.id]);
  const buyer = await somebody(2, { roles: ['buyer'] });
  expect(await enrollments(buyer)).toEqual([]);
  expect(await app().story(buyer)).toContainEqual(expect.stringContaining('it’s not on'));
  await campaigns.updateCampaign(ada, one.id, { state: 'held' });
  await campaigns.enrollContact(ada, id, one.id);
  await app().advance('P3D');
  expect(await went(id)).toEqual([]);
  await campaigns.updateCampaign(ada, one.id, { state: 'on' });
  await app().advance('PT1H');
  expect(await went(id)).toHaveLength(1);
});

test('an agent’s own campaign takes the agent’s own people and nobody else’s', async () => {
  const { campaigns } = app().m;
  const abel = app().as('Abel');
  const draft = await campaigns.createCampaign(abel, { name: 'Abel’s' });
  const saved = await campaigns.saveVersion(abel, draft.id, {
    plan: plan({ starts: [{ on: 'day', day: '11-24', at: '09:00' }], steps: [touch(0, { after: 'start', minutes: 0 })] }),
    seen: draft.version.id,
  });
  await campaigns.updateCampaign(abel, saved.id, { state: 'on' });
  const [his, hers] = [await somebody(1), await somebody(2)];
  await app().m.contacts.updateContact(app().as('Ada'), his, { owner_id: app().users.Abel!.id });
  await app().m.contacts.updateContact(app().as('Ada'), hers, { owner_id: app().users.Brisa!.id });
  await app().advance('P2D');
  expect([(await enrollments(his)).length, (await enrollments(hers)).length]).toEqual([1, 0]);
  await expect(campaigns.enrollContact(app().as('Ada'), hers, saved.id)).rejects.toMatchObject({ code: expect.any(String) });
});

test('who moves to a version keeps their birthday as the day, and an id that an earlier version had is refused', async () => {
  const { campaigns } = app().m;
  const ada = app().as('Ada');
  const one = await made({ steps: [touch(0, { after: 'start', minutes: 0 }), touch(1, day(20))] });
  const id = await somebody(1);
  await app().db.run(`insert into contact_dates (contact_id, kind, label, month_day) values ($1, 'birthday', '', 1205)`, [id]);
  await campaigns.enrollContact(ada, id, one.id);
  await app().advance('PT30H');
  const next = plan({ steps: [touch(0, { after: 'start', minutes: 0 }), touch(2, { date: 'birthday', days: 0, at: '09:30' })] });
  const moved = await campaigns.saveVersion(ada, one.id, { plan: next, seen: one.version.id, people: 'move' });
  expect(moved.free_id).toBe(3);
  await app().advance('P14D');
  expect(await went(id)).toEqual(['11-23 10:00 Step 0', '12-05 09:30 Step 2']);
  const again = plan({ steps: [...next.steps, touch(1, day(30))] });
  await expect(campaigns.saveVersion(ada, one.id, { plan: again, seen: moved.version.id })).rejects.toMatchObject({
    code: 'input_invalid',
  });
});

test('a rehearsal says what then happens, for whoever it would take, and changes nothing', async () => {
  const { campaigns } = app().m;
  const ada = app().as('Ada');
  const ids = [await somebody(1), await somebody(2), await somebody(3, { roles: ['landlord'] })];
  const draft = await campaigns.createCampaign(ada, { name: 'Rehearsed' });
  const steps = [touch(0, { after: 'start', minutes: 5 }), touch(1, day(3)), touch(2, day(4), 'letter')];
  const { id } = await campaigns.orderCampaignRehearsal(ada, draft.id, { plan: plan({ roles: ['seller'], steps }), days: 30 });
  const before = await app().db.rows('select (select count(*) from activities) as lines, (select count(*) from outbox) as rows');
  await campaigns.performCampaignRehearsal(id, () => true);
  expect(await app().db.rows('select (select count(*) from activities) as lines, (select count(*) from outbox) as rows')).toEqual(
    before,
  );
  const { state, people, done, result } = await campaigns.findCampaignRehearsal(ada, id);
  await expect(campaigns.findCampaignRehearsal(app().as('Abel'), id)).rejects.toMatchObject({ code: 'not_found' });
  expect({ state, people, done }).toEqual({ state: 'done', people: 2, done: 2 });
  expect(result).toMatchObject({
    days: [
      { day: 0, email: 2 },
      { day: 3, email: 2 },
    ],
    held: { no_address: 2 },
    letters: 0,
  });
  const saved = await campaigns.saveVersion(ada, draft.id, { plan: plan({ roles: ['seller'], steps }), seen: draft.version.id });
  await campaigns.updateCampaign(ada, saved.id, { state: 'on' });
  for (const one of ids.slice(0, 2)) await campaigns.enrollContact(ada, one, saved.id);
  await app().advance('P5D');
  for (const one of ids.slice(0, 2)) expect(await went(one)).toHaveLength(2);
});

test('an appointment ends what an answer would; what then follows may be a task for the agent, and a field set', async () => {
  const { m, db } = app();
  const ada = app().as('Ada');
  const field = (await db.first<{ id: string }>(
    `insert into fields (account_id, name, kind, choices, position, made_at) values (1, 'Boat', 'text', '{}', 1, now()) returning id`,
  ))!.id;
  const one = await made({
    steps: [touch(0, day(3))],
    ends: {
      ...NO_PLAN.ends,
      then: [
        { set: 'task', note: 'Prepare the papers' },
        { set: 'field', fieldId: field, value: 'Tern' },
      ],
    },
  });
  const [meets, promised] = [await somebody(1), await somebody(2)];
  for (const id of [meets, promised]) await m.campaigns.enrollContact(ada, id, one.id);
  const at = new Date('2026-11-25T18:00:00Z');
  await m.contacts.setNextTouch(ada, meets, at, 'At the house', true);
  await m.contacts.setNextTouch(ada, promised, at, 'Call back');
  await app().settle();
  expect(await enrollments(meets)).toEqual([{ state: 'stopped', step: 0, why: 'appointment' }]);
  expect((await enrollments(promised))[0]).toMatchObject({ state: 'active' });
  expect((await app().story(meets)).join('\n')).toContain('“Test campaign” stopped: they made an appointment.');
  expect(await db.rows('select note from tasks where contact_id = $1 and done_at is null order by id', [meets])).toEqual([
    { note: 'At the house' },
    { note: 'Prepare the papers' },
  ]);
  expect(await db.first('select words from field_values where contact_id = $1', [meets])).toEqual({ words: 'Tern' });
});

test('a household marked do not contact is touched by nothing, and may be again', async () => {
  const { m, db } = app();
  const ada = app().as('Ada');
  const [one, other] = [await somebody(1), await somebody(2)];
  await expect(m.contacts.updateContact(ada, one, { household_do_not_contact: true })).rejects.toMatchObject({
    code: 'conflict',
  });
  await m.duplicates.joinHousehold(ada, one, other);
  await m.contacts.updateContact(ada, one, { household_do_not_contact: true });
  expect((await app().contact(other)).household_do_not_contact).toBe(true);
  const campaign = await made({
    steps: [touch(0, { after: 'start', minutes: 0 })],
    ends: { ...NO_PLAN.ends, unreachable: 'on' },
  });
  await m.campaigns.enrollContact(ada, other, campaign.id);
  await app().settle();
  expect((await app().story(other)).join('\n')).toContain('the household is marked do not contact');
  await expect(m.messages.sendMessage(ada, other, { channel: 'email', text: 'x' })).rejects.toMatchObject({
    code: 'touch_refused',
  });
  await m.contacts.updateContact(ada, other, { household_do_not_contact: false });
  await m.messages.sendMessage(ada, one, { channel: 'email', text: 'x' });
  expect(await db.first('select count(*)::int as n from outbox')).toEqual({ n: 1 });
});

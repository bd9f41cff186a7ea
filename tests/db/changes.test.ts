/** Changes of many: preview, apply, undo, what is left alone and why; nobody else's people; crash and cancel. */
import fc from 'fast-check';
import type { BulkAction } from '@/core/changes';
import type { Selection } from '@/server/changes';
import { reasons } from '../../migrations/0030_reasons';
import { errors } from '../../migrations/0031_errors';
import { appForEach } from '../harness/each';
import type { TestApp } from '../harness/test-app';

const app = appForEach();
const WHERE = { question: {} };

/** Some leads, as they come in. @returns their ids */
async function crowd(count: number): Promise<string[]> {
  const ids: string[] = [];
  for (let n = 0; n < count; n += 1) {
    const { contact } = await app().arrives({
      first_name: `Oda${n}`,
      last_name: 'Brandvold',
      emails: [`oda${n}@x.example`],
      phones: n % 2 ? [`564555${1000 + n}`] : [],
      roles: n % 3 ? ['buyer'] : ['seller'],
    });
    ids.push(contact.id);
  }
  return ids;
}
async function tag(name: string): Promise<string> {
  return (await app().db.first<{ id: string }>('insert into tags (account_id, name) values (1, $1) returning id', [name]))!.id;
}
async function change(what: BulkAction, selection: Selection = WHERE, who = 'Ada') {
  const { changes } = app().m;
  const { id } = await changes.createChange(app().as(who), { selection, change: what });
  await changes.performChange(id);
  return changes.findChange(app().as('Ada'), id);
}
async function undo(id: string) {
  await app().m.changes.undoChange(app().as('Ada'), id);
  await app().m.changes.performUndo(id);
  return app().m.changes.findChange(app().as('Ada'), id);
}
/** Everything that a change could touch, as it stands. */
const snapshot = (it: TestApp) =>
  it.db.rows(
    `select c.id, c.stage, c.stage_since, c.horizon, c.roles, c.owner_id, c.office_id, c.archived_because, c.deleted_at, c.next_touch_at,
       (select array_agg(tag_id order by tag_id) from contact_tags where contact_id = c.id) as tags,
       (select array_agg(value order by id) from contact_points where contact_id = c.id and active) as points,
       (select jsonb_agg(to_jsonb(v) order by field_id, ordinal) from field_values v where contact_id = c.id) as fields,
       (select jsonb_agg(jsonb_build_array(channel, state) order by channel) from permissions p where p.address = 'person:' || c.id or p.address in (select value from contact_points cp where cp.contact_id = c.id)) as said,
       (select count(*)::int from tasks where contact_id = c.id and done_at is null) as tasks
     from contacts c order by c.id`,
  );

test('the preview says in one sentence what would change, what would not and why; doing it changes exactly that', async () => {
  const ids = await crowd(5);
  const choir = await tag('choir');
  await change({ kind: 'tags', add: [choir], remove: [] }, { ids: ids.slice(0, 2) });
  const asked = { selection: WHERE, change: { kind: 'tags', add: [choir], remove: [] } as BulkAction };
  expect(await app().m.changes.previewChange(app().as('Ada'), asked)).toEqual({
    count: 5,
    will_change: 3,
    left_alone: { so_already: 2 },
    sentence: '3 people get the tag choir; 2 need no change.',
  });
  const done = await change(asked.change);
  expect(done).toMatchObject({
    state: 'done',
    total: 5,
    done: 5,
    changed: 3,
    left_alone: { so_already: 2 },
    can_undo: true,
    by: 'Ada Test',
  });
  const undone = await undo(done.id);
  expect(undone).toMatchObject({ state: 'undone', undone: 3 });
  expect((await app().contact(ids[0]!)).tags).toEqual(['choir']);
  expect((await app().contact(ids[4]!)).tags).toEqual([]);
});

test.each<[string, (ids: string[]) => Promise<BulkAction> | BulkAction]>([
  ['tags', async () => ({ kind: 'tags', add: [await tag('a'), await tag('b')], remove: [] })],
  ['stage', () => ({ kind: 'stage', stage: 'sphere' })],
  ['archive', () => ({ kind: 'stage', stage: 'archived', archived_because: 'Moved away' })],
  ['horizon', () => ({ kind: 'horizon', horizon: 'warm' })],
  ['roles', () => ({ kind: 'roles', add: ['landlord'], remove: ['seller'] })],
  ['owner', () => ({ kind: 'owner', owner_id: app().users.Caspian!.id })],
  ['permission for letters', () => ({ kind: 'permission', channel: 'letter', state: 'withdrawn', evidence: '' })],
  ['permission', () => ({ kind: 'permission', channel: 'email', state: 'granted', evidence: 'signed the list at the fair' })],
  ['call list', () => ({ kind: 'call_list', note: 'spring round' })],
  ['delete', () => ({ kind: 'delete' })],
  [
    'field',
    async () => ({
      kind: 'field',
      field_id: (await app().db.first<{ id: string }>(
        `insert into fields (account_id, name, kind, choices, position, made_at) values (1, 'Boats', 'choices', '{sloop,ketch}', 0, now()) returning id`,
      ))!.id,
      value: ['sloop', 'ketch'],
    }),
  ],
])('%s changes everybody of the selection and is taken back to what stood there', async (_, make) => {
  const ids = await crowd(4);
  const it = app();
  const what = await make(ids);
  await it.db.run(`update contacts set stage_since = stage_since - interval '9 days'`);
  const before = await snapshot(it);
  const done = await change(what, { ids });
  expect(done).toMatchObject({ state: 'done', total: 4, done: 4 });
  expect(done.changed).toBeGreaterThan(0);
  const after = await snapshot(it);
  expect(after).not.toEqual(before);
  expect(await it.verified()).toEqual([]);
  expect(await undo(done.id)).toMatchObject({ state: 'undone', undone: done.changed, undo_left_alone: {} });
  expect(await snapshot(it)).toEqual(before);
});

test('undo leaves alone what somebody changed since, and says how many', async () => {
  const ids = await crowd(3);
  const done = await change({ kind: 'stage', stage: 'sphere' }, { ids });
  await app().m.contacts.updateContact(app().as('Ada'), ids[1]!, { stage: 'client' });
  expect(await undo(done.id)).toMatchObject({ undone: 2, undo_left_alone: { changed_since: 1 } });
  expect(await Promise.all(ids.map(async (id) => (await app().contact(id)).stage.key))).toEqual(['new', 'client', 'new']);
});

test('who said stop is left alone when many are marked as having said yes', async () => {
  const [first, second] = await crowd(2);
  await app().m.contacts.changePermissions(app().db, '1', [
    { channel: 'email', address: 'oda0@x.example', state: 'withdrawn', how: 'replied STOP', forGood: true, at: new Date() },
  ]);
  const yes = { kind: 'permission', channel: 'email', state: 'granted', evidence: 'a list' } as const;
  const done = await change(yes, { ids: [first!, second!] });
  expect(done).toMatchObject({ changed: 1, left_alone: { said_stop: 1 } });
  expect((await app().contact(first!)).permissions.email).toBe('withdrawn');
});

test('many go into a campaign, except those in it, those worked with and those not to be contacted; undo stops it', async () => {
  const [inside, client, silent, fresh] = await crowd(6);
  const it = app();
  await it.db.run(`update enrollments set state = 'stopped' where contact_id <> $1`, [client]);
  await it.db.run(`update enrollments set state = 'stopped'`);
  await change({ kind: 'campaign', campaign_id: '1' }, { ids: [inside!] });
  await change({ kind: 'stage', stage: 'client' }, { ids: [client!] });
  await it.m.contacts.updateContact(it.as('Ada'), silent!, { do_not_contact: true });
  const done = await change({ kind: 'campaign', campaign_id: '1' }, { ids: [inside!, client!, silent!, fresh!] });
  expect(done).toMatchObject({ changed: 1, left_alone: { already_in: 1, not_followed_up: 1, do_not_contact: 1 } });
  expect(await it.story(fresh!)).toContainEqual(expect.stringContaining('Added to “New buyer” by Ada Test'));
  await undo(done.id);
  const row = await it.db.first<{ n: number }>(
    `select count(*)::int as n from enrollments where contact_id = $1 and state = 'active'`,
    [fresh],
  );
  expect(row!.n).toBe(0);
});

test('nobody new who was tried already', async () => {
  const ids = await crowd(2);
  await change({ kind: 'stage', stage: 'sphere' }, { ids });
  await app().db.run('update contact_facts set attempts = 1 where contact_id = $1', [ids[0]]);
  const done = await change({ kind: 'stage', stage: 'new' }, { ids });
  await app().db.run('update contact_facts set attempts = 0');
  expect(done).toMatchObject({ changed: 1, left_alone: { tried_already: 1 } });
});

test('an agent changes their own people only, hands nobody over and deletes nobody', async () => {
  const ids = await crowd(6);
  const { changes } = app().m;
  const choir = await tag('choir');
  const done = await change({ kind: 'tags', add: [choir], remove: [] }, { ids }, 'Abel');
  expect(done.total).toBeGreaterThan(0);
  expect(done.total).toBeLessThan(6);
  const tagged = await app().db.rows<{ owner_id: string }>(
    'select distinct c.owner_id from contacts c join contact_tags ct on ct.contact_id = c.id',
    [],
  );
  expect(tagged).toEqual([{ owner_id: app().users.Abel!.id }]);
  for (const what of [{ kind: 'owner', owner_id: app().users.Brisa!.id }, { kind: 'delete' }] as BulkAction[])
    await expect(changes.createChange(app().as('Abel'), { selection: { ids }, change: what })).rejects.toMatchObject({
      code: 'not_allowed',
    });
  await expect(changes.findChange(app().as('Brisa'), done.id)).rejects.toMatchObject({ code: 'not_found' });
});

test.each<[BulkAction, string]>([
  [{ kind: 'tags', add: [], remove: [] }, 'input_invalid'],
  [{ kind: 'tags', add: ['999'], remove: [] }, 'not_found'],
  [{ kind: 'stage', stage: 'nowhere' }, 'not_found'],
  [{ kind: 'stage', stage: 'archived' }, 'input_invalid'],
  [{ kind: 'permission', channel: 'text', state: 'granted', evidence: ' ' }, 'input_invalid'],
  [{ kind: 'owner', owner_id: '999' }, 'not_found'],
])('%j is refused before anything happens', async (what, code) => {
  await expect(app().m.changes.createChange(app().as('Ada'), { selection: WHERE, change: what })).rejects.toMatchObject({
    code,
  });
});

test('cancelled in the middle, what is done stays and is undone; killed in the middle, the next worker goes on where it stopped', async () => {
  const it = app();
  await it.db.run(
    `insert into contacts (account_id, first_name, time_zone, stage_since, created_at, updated_at) select 1, 'P' || n, 'UTC', now(), now(), now() from generate_series(1, 8000) n`,
  );
  await it.completePeople();
  const choir = await tag('choir');
  const { changes } = it.m;
  const tagged = async () => (await it.db.first<{ n: number }>('select count(*)::int as n from contact_tags', []))!.n;
  const only = (times: number) => {
    let left = times;
    return () => (left -= 1) >= 0;
  };
  const { id } = await changes.createChange(it.as('Ada'), {
    selection: WHERE,
    change: { kind: 'tags', add: [choir], remove: [] },
  });
  await changes.performChange(id, only(1));
  expect([await tagged(), (await changes.findChange(it.as('Ada'), id)).done]).toEqual([2_500, 2_500]);
  await changes.performChange(id, only(1));
  await changes.cancelChange(it.as('Ada'), id);
  await changes.performChange(id);
  expect(await changes.findChange(it.as('Ada'), id)).toMatchObject({
    state: 'cancelled',
    total: 8_000,
    done: 5_000,
    changed: 5_000,
  });
  await changes.undoChange(it.as('Ada'), id);
  await changes.performUndo(id, only(1));
  await changes.performUndo(id);
  expect([await tagged(), (await changes.findChange(it.as('Ada'), id)).undone]).toEqual([0, 5_000]);
}, 30_000);

test('verify finds nothing after random changes and undos', async () => {
  const ids = await crowd(8);
  const it = app();
  const made = [await tag('a'), await tag('b')];
  const some = fc.subarray(ids, { minLength: 1 });
  const what: fc.Arbitrary<BulkAction> = fc.oneof(
    fc
      .record({ kind: fc.constant('tags' as const), add: fc.subarray(made), remove: fc.constant<string[]>([]) })
      .filter(({ add }) => add.length > 0),
    fc.record({ kind: fc.constant('stage' as const), stage: fc.constantFrom('sphere', 'client', 'talking', 'new') }),
    fc.record({ kind: fc.constant('horizon' as const), horizon: fc.constantFrom('hot', 'warm', null) }),
    fc.record({ kind: fc.constant('owner' as const), owner_id: fc.constantFrom(it.users.Abel!.id, it.users.Brisa!.id) }),
    fc.constant({ kind: 'call_list' as const, note: '' }),
    fc.constant({ kind: 'delete' as const }),
  );
  await fc.assert(
    fc.asyncProperty(fc.array(fc.tuple(what, some, fc.boolean()), { minLength: 5, maxLength: 8 }), async (steps) => {
      const undoable: string[] = [];
      for (const [one, selection, back] of steps) {
        const done = await change(one, { ids: selection });
        expect(done.state).toBe('done');
        if (done.changed && (back || one.kind === 'delete')) await undo(done.id);
        else if (done.changed) undoable.push(done.id);
      }
      for (const id of undoable.reverse()) await undo(id);
      expect(await it.verified()).toEqual([]);
    }),
    { numRuns: 12 },
  );
}, 120_000);

test('a change that failed in the middle says why, and what it did until then is taken back', async () => {
  const ids = await crowd(3);
  const before = await snapshot(app());
  const done = await change({ kind: 'horizon', horizon: 'hot' }, { ids });
  await app().db.run(`update changes set state = 'running' where id = $1`, [done.id]);
  await app().m.changes.failChange(done.id, 'The disk is full.');
  expect(await app().m.changes.findChange(app().as('Ada'), done.id)).toMatchObject({
    state: 'failed',
    error: 'The disk is full.',
    can_undo: true,
  });
  expect(await undo(done.id)).toMatchObject({ state: 'undone', undone: 3 });
  expect(await snapshot(app())).toEqual(before);
});

test('what an earlier version left alone is told by the reasons of today', async () => {
  const [first] = await crowd(1);
  const it = app();
  const { id } = await change({ kind: 'campaign', campaign_id: '1' }, { ids: [first!] });
  await it.db.run(`update changes set left_alone = '{"in_already": 3, "worked_with": 2, "gone": 1}' where id = $1`, [id]);
  await it.db.run(
    `insert into activities (account_id, contact_id, at, kind, data, because) values (1, $1, now(), 'held', '{}', '{"why": "not_enrolled", "cause": "stage", "campaign": "New buyer", "stage": "client"}')`,
    [first],
  );
  await reasons.up((sql) => it.db.run(sql));
  expect((await it.m.changes.findChange(it.as('Ada'), id)).left_alone).toEqual({ gone: 1, already_in: 3, not_followed_up: 2 });
  expect(await it.story(first!)).toContainEqual(
    expect.stringContaining('“New buyer” was not started: the stage is Client, where campaigns end.'),
  );
});

test('what an earlier version said was wrong with an address is told as ever; renamed twice, nothing is renamed', async () => {
  const [first] = await crowd(1);
  const it = app();
  await it.db.run(
    `insert into activities (account_id, contact_id, at, kind, channel, data, because) values (1, $1, now(), 'bounced', 'email', '{}', '{"why": "refused", "channel": "email", "fault": "550 no such mailbox"}')`,
    [first],
  );
  await it.db.run('alter table contact_points rename column error to fault');
  /* Where values are bound, two dollar signs stand for one. */
  for (let n = 0; n < 2; n += 1) await errors.up((sql) => it.db.run(sql.replaceAll('$', () => '$$')));
  expect(await it.story(first!)).toContainEqual(expect.stringContaining('The email wasn’t delivered: 550 no such mailbox.'));
  expect((await it.contact(first!)).address_errors).toEqual({});
});

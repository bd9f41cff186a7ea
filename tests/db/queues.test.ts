/**
 * Queues are empty in one minute and full in the next, so that what the database believes of them is often of another moment. What a person
 * has must not be found by reading all that is due, even where that seems cheapest: here there is no index by the person.
 */
import { MONDAY_MORNING, openApp, type TestApp } from '../harness/test-app';

const MANY = 400;
const BATCH = 100;

let app: TestApp;
const count = async (sql: string, of: string): Promise<number> => Number((await app.db.first<{ n: string }>(sql, [of]))!.n);
/** How many rows have been read by an index until now. */
const read = (index: string) => count('select idx_tup_read as n from pg_stat_user_indexes where indexrelname = $1', index);
const written = (table: string) => count('select n_tup_ins + n_tup_upd as n from pg_stat_user_tables where relname = $1', table);
/** The counters come with the next rest of the connection that read and wrote, all at once: what was written tells that they came. */
const until = async (table: string, least: number): Promise<void> => {
  for (let tries = 0; tries < 300; tries += 1) {
    if ((await written(table)) >= least) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(`${table} never counted ${least}`);
};

const fillOutbox = () =>
  app.db.run(
    `insert into outbox (account_id, key, channel, contact_id, user_id, address, payload, automatic, due_at, created_at)
     select 1, 'q' || id, 'email', id, 2, 'due' || id || '@queue.example', '{"subject":"s","text":"t"}', true, $1::timestamptz, $1 from contacts where first_name = 'Due'`,
    [MONDAY_MORNING],
  );
const enrolAll = () =>
  app.db.run(
    `insert into enrollments (account_id, campaign_id, version_id, contact_id, started_at, due_at, planned_at)
     select 1, p.id, (select max(id) from campaign_versions where campaign_id = p.id), c.id, $1, $1, $1 from contacts c, campaigns p where c.first_name = 'Due'`,
    [MONDAY_MORNING],
  );

beforeEach(async () => {
  app = await openApp();
  await app.setClock(MONDAY_MORNING);
  for (const table of ['outbox', 'enrollments']) {
    await app.db.run(`alter table ${table} set (autovacuum_enabled = false)`);
    await app.db.run(`delete from ${table}`);
  }
  await app.db.run(
    `insert into contacts (account_id, owner_id, office_id, first_name, last_name, stage, stage_since, roles, time_zone, created_at, updated_at)
     select 1, 2, 1, 'Due', 'Person ' || n, 'new', now(), '{buyer}', 'America/Los_Angeles', now(), now() from generate_series(1, $1::int) n`,
    [MANY],
  );
  await app.db.run(`insert into contact_facts (contact_id) select id from contacts where first_name = 'Due'`);
  await app.db.run('drop index outbox_turn, outbox_contact, enrollments_once, enrollments_contact');
});
afterEach(() => app.close());

test('enrollments that are due beside a full outbox', async () => {
  await fillOutbox();
  await app.db.run(`update outbox set retry_at = now() + interval '1 day'`);
  await enrolAll();
  await until('enrollments', MANY);
  const before = {
    outbox: await read('outbox_open'),
    enrollments: await read('enrollments_due'),
    written: await written('enrollments'),
  };
  expect(await app.m.campaigns.carryOutDue(BATCH)).toBe(BATCH);
  await until('enrollments', before.written + BATCH);
  expect((await read('outbox_open')) - before.outbox).toBe(0);
  const walked = (await read('enrollments_due')) - before.enrollments;
  /* That it is found by its index at all, and each batch once: walking the queue for each would be BATCH times as much. */
  expect(walked).toBeGreaterThanOrEqual(BATCH);
  expect(walked).toBeLessThan(2 * MANY);
});

test('messages that are due, many at once', async () => {
  await fillOutbox();
  await app.db.run(`insert into processes (id, kind, seen_at) values ('one', 'worker', clock_timestamp())`);
  await until('outbox', MANY);
  const before = { open: await read('outbox_open'), written: await written('outbox') };
  const { claimed } = await app.m.messages.claimOutbox('one', BATCH);
  expect(claimed).toBe(BATCH);
  await until('outbox', before.written + BATCH);
  const walked = (await read('outbox_open')) - before.open;
  expect(walked).toBeGreaterThanOrEqual(BATCH);
  expect(walked).toBeLessThan(2 * MANY);
});

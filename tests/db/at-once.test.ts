/** A flood: of inquiries that come at the same moment each is taken in as if it had come alone. */
import pg from 'pg';
import { openApp, type TestApp } from '../harness/test-app';

let app: TestApp;
beforeEach(async () => {
  app = await openApp();
});
afterEach(async () => {
  expect(await app.verified()).toEqual([]);
  await app.close();
});

const one = (n: number) => ({
  first_name: `P${n}`,
  emails: [`p${n}@flood.example`],
  phones: [`564555${String(n).padStart(4, '0')}`],
});
const many = Array.from({ length: 60 }, (_, n) => n);

test('sixty at once, more than there are connections: everybody their own transaction, contact, inquiry, follow-up and story', async () => {
  const answers = await Promise.all(many.map((n) => app.arrives({ ...one(n), permissions: { text: true }, tags: ['flood'] })));
  expect(new Set(answers.map(({ inquiry }) => inquiry.id)).size).toBe(60);
  const stored = await Promise.all(answers.map(({ contact }) => app.contact(contact.id)));
  expect(stored.map(({ first_name }) => first_name)).toEqual(many.map((n) => `P${n}`));
  expect(stored.map(({ emails }) => emails[0])).toEqual(many.map((n) => `p${n}@flood.example`));
  expect(stored.every(({ tags, permissions }) => tags.includes('flood') && permissions.text === 'granted')).toBe(true);
  const stories = await Promise.all(answers.map(({ contact }) => app.story(contact.id)));
  const kinds = stories.map((story) => story.map((line) => line.split(/\W/)[0]).sort());
  expect(new Set(kinds.map(String)).size).toBe(1);
  expect(kinds[0]).toEqual(expect.arrayContaining(['inquiry', 'permission', 'enrolled', 'handed']));
  const { n } = (await app.db.first<{ n: number }>('select count(distinct xmin::text)::int as n from inquiries'))!;
  expect(n).toBe(60);
});

test('two of one person who share no address with each other are two inquiries on one contact', async () => {
  const known = await app.arrives({ emails: ['both@flood.example'], phones: ['5645550190'] });
  const answers = await Promise.all([
    ...many.slice(0, 8).map((n) => app.arrives(one(n))),
    app.arrives({ emails: ['both@flood.example'], tags: ['by mail'] }),
    app.arrives({ phones: ['5645550190'], tags: ['by phone'] }),
  ]);
  expect(answers.slice(8).map(({ contact: { id, status } }) => ({ id, status }))).toEqual([
    { id: known.contact.id, status: 'matched' },
    { id: known.contact.id, status: 'matched' },
  ]);
  expect((await app.contact(known.contact.id)).tags.sort()).toEqual(['by mail', 'by phone']);
  expect((await app.story(known.contact.id)).filter((line) => line.startsWith('inquiry'))).toHaveLength(3);
});

test('new people stand alike, whatever else is written of them', async () => {
  const permissions = { text: true, email: false };
  const place = { city: 'Saltmarsh', postal_code: '98741' };
  const answers = await Promise.all(
    many.slice(0, 20).map((n) => app.arrives({ ...one(n), permissions, place, tags: n % 2 ? ['flood'] : [] })),
  );
  const rows = await app.db.rows<Record<string, unknown>>(
    `select to_jsonb(c) - '{id,first_name,name_key,owner_id,office_id}'::text[] || jsonb_build_object('owned', c.owner_id is not null, 'office', c.office_id = (select office_id from users where id = c.owner_id)) as contact, to_jsonb(f) - 'contact_id' as facts,
       (select string_agg(regexp_replace(word, '[0-9]', '', 'g'), ' ') from regexp_split_to_table(s.search_text, ' ') word) as search,
       (select count(*)::int from contact_points p where p.contact_id = c.id) as points
     from contacts c join contact_facts f on f.contact_id = c.id join contact_search s on s.contact_id = c.id where c.id = any($1::bigint[])
     order by c.id`,
    [answers.map(({ contact }) => contact.id)],
  );
  expect(rows).toHaveLength(20);
  const instants = /(created_at|updated_at|stage_since|owned_since|_at)": "[^"]+"/g;
  expect(new Set(rows.map((row) => JSON.stringify(row, null, 1).replace(instants, '$1'))).size).toBe(1);
  expect(rows[0]).toMatchObject({
    contact: { owned: true, office: true, stage: 'new', city: 'Saltmarsh' },
    points: 2,
  });
});

test('what is wrong with one is not the fault of the others', async () => {
  await app.arrives(one(100), { idempotencyKey: 'k' });
  const answers = await Promise.allSettled([
    ...many.slice(0, 10).map((n) => app.arrives(one(n))),
    app.arrives(one(101), { idempotencyKey: 'k' }),
    ...many.slice(10, 20).map((n) => app.arrives(one(n))),
  ]);
  expect(answers.map(({ status }) => status).filter((status) => status === 'rejected')).toHaveLength(1);
  expect(answers[10]).toMatchObject({ status: 'rejected', reason: { code: 'idempotency_mismatch' } });
  const { n } = (await app.db.first<{ n: number }>('select count(*)::int as n from inquiries'))!;
  expect(n).toBe(21);
});

test('caps hold within a flood: nobody has more than their day allows, nor more open leads than they may', async () => {
  const agents = await app.db.rows<{ user_id: string }>(
    `select m.user_id from roster_members m join rosters r on r.id = m.roster_id where r.name = 'Coast agents' order by m.position`,
  );
  await app.db.run('update roster_members set daily_cap = 4 where user_id = $1', [agents[0]!.user_id]);
  await app.db.run('update roster_members set open_cap = 3 where user_id = $1', [agents[1]!.user_id]);
  await Promise.all(many.map((n) => app.arrives(one(n))));
  const had = await app.db.rows<{ owner_id: string; n: number }>(
    'select owner_id, count(*)::int as n from contacts group by 1 order by 2',
  );
  const of = (id: string) => had.find(({ owner_id }) => owner_id === id)?.n;
  expect([of(agents[0]!.user_id), of(agents[1]!.user_id)]).toEqual([4, 3]);
  expect(had.reduce((sum, { n }) => sum + n, 0)).toBe(60);
});

test('a database that goes away in the middle: nothing is kept of any, each is told, and each comes again once', async () => {
  const keyed = (n: number) => app.arrives(one(n), { idempotencyKey: `lost ${n}` });
  const holder = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await holder.connect();
  await holder.query('begin');
  await holder.query('select id from rosters for update');
  const arriving = Promise.allSettled(many.slice(0, 6).map(keyed));
  /* Not asked by the one that holds: within a transaction what others do stays as it was first seen. */
  let ended = 0;
  while (!ended) {
    const waiting = await app.db.rows(
      `select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and wait_event_type = 'Lock' and pid <> pg_backend_pid()`,
    );
    ended = waiting.length;
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
  await holder.query('rollback');
  await holder.end();
  const first = await arriving;
  const lost = first.filter((one) => one.status === 'rejected');
  expect(lost.length).toBeGreaterThan(0);
  expect(lost.map(({ reason }) => (reason as { code: string }).code)).toEqual(lost.map(() => 'unavailable'));
  const saved = async () => (await app.db.first<{ n: number }>('select count(*)::int as n from inquiries'))!.n;
  expect(await saved()).toBe(6 - lost.length);
  const again = await Promise.all(many.slice(0, 6).map(keyed));
  expect(new Set(again.map(({ inquiry }) => inquiry.id)).size).toBe(6);
  expect(await saved()).toBe(6);
});

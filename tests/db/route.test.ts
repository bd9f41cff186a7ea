/** Routing: round robin under a lock, fair also when a hundred arrive at once; the absent are skipped; a lead always ends with a person. */
import { appForEach } from '../harness/each';
import { DAY } from '@/core/shared';
import { MONDAY_MORNING, type TestApp } from '../harness/test-app';

const opened = appForEach();
let app: TestApp;
beforeEach(() => {
  app = opened();
});

const loads = async (): Promise<number[]> => {
  const rows = await app.db.rows<{ n: number }>(
    `select count(i.id)::int as n from roster_members m left join inquiries i on i.owner_id = m.user_id group by m.user_id order by 1`,
  );
  return rows.map(({ n }) => n);
};

test('a hundred at once leave every agent within one of each other', async () => {
  await Promise.all(Array.from({ length: 100 }, (_, n) => app.arrives({ emails: [`lead${n}@burst.example`] })));
  expect(await loads()).toEqual([33, 33, 34]);
  const offers = await app.db.first<{ n: number }>(
    'select count(distinct inquiry_id)::int as n from offers where answered_at is null',
  );
  expect(offers!.n).toBe(100);
});

test('whoever is away is passed over and named; back again, they have their turn', async () => {
  await app.m.routing.setUserAway(app.as('Ada'), app.users.Abel!.id, { until: new Date(MONDAY_MORNING.getTime() + DAY) });
  const first = await app.arrives({ emails: ['a@away.example'] });
  expect(first.routing).toEqual({
    agent: { id: app.users.Brisa!.id, name: 'Brisa Test' },
    because: 'Rung 1, “Buyers”: Coast agents (round robin), Brisa Test was next; Abel Test is away.',
  });
  await app.advance('P2D');
  await app.arrives({ emails: ['b@away.example'] });
  const third = await app.arrives({ emails: ['c@away.example'] });
  expect(third.routing.agent!.name).toBe('Abel Test');
});

test('with everyone away the safety net takes it', async () => {
  for (const name of ['Abel', 'Brisa', 'Caspian'])
    await app.m.routing.setUserAway(app.as('Ada'), app.users[name]!.id, { until: new Date(MONDAY_MORNING.getTime() + DAY) });
  const { routing } = await app.arrives({ emails: ['all@away.example'] });
  expect(routing).toEqual({
    agent: { id: app.users.Ada!.id, name: 'Ada Test' },
    because: 'No one on Coast agents is available right now, so it goes to the safety net: Ada Test.',
  });
});

test('only the office says that somebody else is away', async () => {
  await expect(app.m.routing.setUserAway(app.as('Abel'), app.users.Brisa!.id, { until: null })).rejects.toMatchObject({
    code: 'not_allowed',
  });
  await expect(app.m.routing.setUserAway(app.as('Abel'), app.users.Abel!.id, { until: new Date() })).resolves.toBeUndefined();
});

test('the agent is told within a second of the commit, and others are not', async () => {
  const heard: string[] = [];
  const stop = app.m.shared.subscribe(
    (event) => event !== 'everything' && event.topic === 'lead' && heard.push(event.ownerId ?? ''),
  );
  await app.arrives({ emails: ['warm-up@listen.example'] });
  const { routing } = await app.arrives({ emails: ['told@listen.example'] });
  const began = performance.now();
  while (!heard.includes(routing.agent!.id) && performance.now() - began < 1_000)
    await new Promise((resolve) => setImmediate(resolve));
  stop();
  expect(heard).toContain(routing.agent!.id);
});

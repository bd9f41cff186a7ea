/** Routing: round robin under a lock, fair also when a hundred arrive at once; the absent are skipped; a lead always ends with a person. */
import { houseForEach } from '../harness/each';
import { DAY } from '@/core/shared';
import { MONDAY_MORNING, type TestApp } from '../harness/test-app';

const opened = houseForEach();
let house: TestApp;
beforeEach(() => {
  house = opened();
});

const loads = async (): Promise<number[]> => {
  const rows = await house.db.rows<{ n: number }>(
    `select count(i.id)::int as n from roster_members m left join inquiries i on i.owner_id = m.user_id group by m.user_id order by 1`,
  );
  return rows.map(({ n }) => n);
};

test('a hundred at once leave every agent within one of each other', async () => {
  await Promise.all(Array.from({ length: 100 }, (_, n) => house.arrives({ emails: [`lead${n}@burst.example`] })));
  expect(await loads()).toEqual([33, 33, 34]);
  const offers = await house.db.first<{ n: number }>(
    'select count(distinct inquiry_id)::int as n from offers where answered_at is null',
  );
  expect(offers!.n).toBe(100);
});

test('whoever is away is passed over and named; back again, they have their turn', async () => {
  await house.m.routing.setAway(house.as('Ada'), house.people.Abel!.id, new Date(MONDAY_MORNING.getTime() + DAY));
  const first = await house.arrives({ emails: ['a@away.example'] });
  expect(first.routing).toEqual({
    agent: { id: house.people.Brisa!.id, name: 'Brisa Test' },
    because: 'First rung, “Buyers”: Coast agents by round robin, Brisa Test was next; Abel Test is away.',
  });
  await house.advance('P2D');
  await house.arrives({ emails: ['b@away.example'] });
  const third = await house.arrives({ emails: ['c@away.example'] });
  expect(third.routing.agent!.name).toBe('Abel Test');
});

test('with everyone away the safety net takes it', async () => {
  for (const name of ['Abel', 'Brisa', 'Caspian'])
    await house.m.routing.setAway(house.as('Ada'), house.people[name]!.id, new Date(MONDAY_MORNING.getTime() + DAY));
  const { routing } = await house.arrives({ emails: ['all@away.example'] });
  expect(routing).toEqual({
    agent: { id: house.people.Ada!.id, name: 'Ada Test' },
    because: 'Nobody on Coast agents may have a lead now, so the safety net takes it: Ada Test.',
  });
});

test('only the office says that somebody else is away', async () => {
  await expect(house.m.routing.setAway(house.as('Abel'), house.people.Brisa!.id, null)).rejects.toMatchObject({
    code: 'not_allowed',
  });
  await expect(house.m.routing.setAway(house.as('Abel'), house.people.Abel!.id, new Date())).resolves.toBeUndefined();
});

test('the agent is told within a second of the commit, and others are not', async () => {
  const heard: string[] = [];
  const stop = house.m.shared.subscribe(
    (event) => event !== 'everything' && event.topic === 'lead' && heard.push(event.ownerId ?? ''),
  );
  await house.arrives({ emails: ['warm-up@listen.example'] });
  const { routing } = await house.arrives({ emails: ['told@listen.example'] });
  const began = performance.now();
  while (!heard.includes(routing.agent!.id) && performance.now() - began < 1_000)
    await new Promise((resolve) => setImmediate(resolve));
  stop();
  expect(heard).toContain(routing.agent!.id);
});

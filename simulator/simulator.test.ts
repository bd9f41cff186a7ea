import { mkdtempSync, appendFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { api } from './api';
import { openJournal } from './journal';
import { SimulatorWorld } from './world';

const SETTINGS = { hookUrl: 'http://127.0.0.1:9', hookSecret: 'x', mailDoor: { host: '127.0.0.1', port: 9 }, habits: false };
const folder = () => mkdtempSync(join(tmpdir(), 'urraca-sim-'));
const text = (key: string, to = '+15645550123') => ({ key, from: '+13605550101', to, body: 'hello' });

test('a key is taken once, also after the simulator was stopped in the middle of a line', () => {
  const home = folder();
  const first = new SimulatorWorld(openJournal(home), SETTINGS);
  first.takeText(text('a'));
  first.takeText(text('a'));
  expect([first.record.list({}).length, first.record.repeats]).toEqual([1, 1]);
  appendFileSync(join(home, 'journal.jsonl'), '{"type":"sent","se');
  const second = new SimulatorWorld(openJournal(home), SETTINGS);
  second.takeText(text('a'));
  second.takeText(text('b'));
  const third = new SimulatorWorld(openJournal(home), SETTINGS);
  expect(third.record.list({}).map(({ key }) => key)).toEqual(['a', 'b']);
});

test('scripted answers are used up in their order; who is not scripted does nothing', () => {
  const world = new SimulatorWorld(openJournal(folder()), SETTINGS);
  world.people.script('+15645550123', {
    answers: [
      { to: 'text', after: 'PT10M', body: 'one' },
      { to: 'email', after: 'PT1H', body: 'mail' },
      { to: 'text', after: 'PT1M', body: 'two' },
    ],
  });
  expect([1, 2, 3].map(() => world.people.answer('+15645550123', 'text'))).toEqual([
    { afterMs: 600_000, body: 'one' },
    { afterMs: 60_000, body: 'two' },
    null,
  ]);
  expect(world.people.answer('+15095550100', 'text')).toBeNull();
  expect(world.people.phone('+15095550100').call).toBe('no-answer');
  expect(() => world.people.script('x', { answers: [{ to: 'text', after: '10 minutes', body: '' }] })).toThrow(/duration/);
});

test('habits are drawn from the address: the same person does the same again', () => {
  const habits = () => {
    const world = new SimulatorWorld(openJournal(folder()), { ...SETTINGS, habits: true });
    return Array.from({ length: 300 }, (_, n) => [
      world.people.answer(`+1509555${n}`, 'text'),
      world.people.phone(`+1509555${n}`),
    ]);
  };
  expect(habits()).toEqual(habits());
  const answered = habits().filter(([answer]) => answer).length;
  expect(answered).toBeGreaterThan(30);
  expect(answered).toBeLessThan(110);
});

test('bad weather: down takes nothing, failing takes each key at most once and fails some', async () => {
  const world = new SimulatorWorld(openJournal(folder()), SETTINGS);
  const send = (key: string) =>
    world.sky.under(
      'text',
      () => (world.takeText(text(key)), true),
      () => false,
    );
  world.sky.set({ all: 'down' });
  expect(await send('a')).toBe(false);
  world.sky.set({ text: 'failing' });
  const answers: boolean[] = [];
  for (let n = 0; n < 12; n += 1) answers.push(await send(`k${n}`));
  expect(answers.filter(Boolean)).toHaveLength(8);
  expect(world.record.list({})).toHaveLength(10);
});

test('the agenda runs in the order of time, and of planning where the time is the same', async () => {
  const world = new SimulatorWorld(openJournal(folder()), { ...SETTINGS, hookUrl: 'http://127.0.0.1:9' });
  world.agenda.hold(0);
  world.agenda.plan(2_000, 'nothing', { n: 1 });
  world.agenda.plan(1_000, 'nothing', { n: 2 });
  expect(world.agenda.next()).toBe(1_000);
  expect(await world.agenda.run()).toBe(0);
  world.agenda.hold(1_500);
  expect(await world.agenda.run()).toBe(1);
  expect(world.agenda.next()).toBe(2_000);
});

test('several texts at once are answered one by one, as if each had come alone', async () => {
  const world = new SimulatorWorld(openJournal(folder()), SETTINGS);
  const server = api(world);
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  const { port } = server.address() as AddressInfo;
  const post = async (path: string, body: unknown) => {
    const response = await fetch(`http://127.0.0.1:${port}${path}`, { method: 'POST', body: JSON.stringify(body) });
    return { status: response.status, body: (await response.json()) as unknown };
  };
  const taken = { status: 201, receipt: 'text-taken' };
  const no = { status: 422, detail: 'a text needs a key and a number in E.164' };
  expect(await post('/texts', [text('a'), text('b', '555'), text('a'), null])).toEqual({
    status: 200,
    body: [taken, no, taken, no],
  });
  expect([world.record.list({}).map(({ key }) => key), world.record.repeats]).toEqual([['a'], 1]);
  world.sky.set({ text: 'failing' });
  const many = Array.from({ length: 12 }, (_, n) => text(`k${n}`));
  const statuses = ((await post('/texts', many)).body as { status: number }[]).map(({ status }) => status);
  expect(statuses.filter((status) => status === 201)).toHaveLength(8);
  expect(statuses.filter((status) => status === 503)).toHaveLength(4);
  expect(
    (
      await post(
        '/texts',
        Array.from({ length: 101 }, (_, n) => text(`m${n}`)),
      )
    ).status,
  ).toBe(413);
  expect((await post('/calls', [])).status).toBe(400);
  await new Promise((closed) => server.close(closed));
});

test('what is planned stands in the order of time, whatever the order of planning', async () => {
  const world = new SimulatorWorld(openJournal(folder()), SETTINGS);
  world.agenda.hold(0);
  const seen: number[] = [];
  for (const seconds of [5, 1, 3, 1, 9, 4, 2, 5, 0]) world.agenda.plan(seconds * 1_000, 'nothing', {});
  for (let next = world.agenda.next(); next !== null; next = world.agenda.next()) {
    seen.push(next / 1_000);
    world.agenda.hold(next);
    await world.agenda.run();
  }
  expect(seen).toEqual([0, 1, 2, 3, 4, 5, 9]);
});

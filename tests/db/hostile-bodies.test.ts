/** What anybody may send to a door without logging in: answered soon, never with a fault of ours, and told in the door's last requests. */
import { appForEach } from '../harness/each';

const app = appForEach();
/** Two seconds on a machine that is not busy with other tests as well. */
const MOST_MS = 4_000;

async function door() {
  const { m, as } = { m: app().m, as: app().as('Ada') };
  return m.capture.createDoor(as, { kind: 'api', name: 'Valuation site' });
}
async function send(
  secret: string,
  body: string,
  type = 'application/json',
  query = '',
): Promise<{ status: number; ms: number; body: object }> {
  const { POST } = await import('@/app/in/[secret]/route');
  const began = performance.now();
  const answer = await POST(
    new Request(`http://house/in/${secret}${query}`, { method: 'POST', headers: { 'content-type': type }, body }),
    { params: Promise.resolve({ secret }) },
  );
  return { status: answer.status, ms: performance.now() - began, body: (await answer.json()) as object };
}

test('fields of any length, bodies of any depth: an answer within two seconds, and no fault of ours', async () => {
  const secret = (await door()).address!.split('/').at(-1)!;
  await app().m.shared.readyToRead();
  const bodies: [string, number[]][] = [
    [JSON.stringify({ email: 'a'.repeat(20_000) }), [422]],
    [JSON.stringify({ email: 'a'.repeat(40_000), phone: '(564) 555-0123' }), [201, 200]],
    [JSON.stringify({ email: 'a'.repeat(900_000) }), [413]],
    ['['.repeat(100_000) + ']'.repeat(100_000), [422]],
    ['{"a":'.repeat(40_000) + '1' + '}'.repeat(40_000), [422, 400]],
    ['{"phone": "(564) 555-0123", "name": "\\ud800\\u0000"}', [201, 200]],
    ['not json', [400]],
  ];
  for (const query of ['?sandbox=true', ''])
    for (const [body, expected] of bodies) {
      const { status, ms, body: answered } = await send(secret, body, 'application/json', query);
      expect([body.slice(0, 30), expected.includes(status), ms < MOST_MS, answered]).toEqual([
        body.slice(0, 30),
        true,
        true,
        answered,
      ]);
    }
  expect(
    (await send(secret, 'a=%FF%00&phone=5645550123&' + 'x=y&'.repeat(50_000), 'application/x-www-form-urlencoded')).status,
  ).toBe(201);
});

test('one door takes so many a minute from one address, and says when to come again', async () => {
  const secret = (await door()).address!.split('/').at(-1)!;
  /* 120 in a minute of the clock: those sent may fall into two of them. */
  let sent = 0;
  for (let status = 0; status !== 429 && sent < 300; sent += 1) ({ status } = await send(secret, '{}'));
  expect(sent).toBeGreaterThan(120);
  expect(sent).toBeLessThanOrEqual(241);
});

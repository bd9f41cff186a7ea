/** Simulated time is deterministic: the same days from the same state leave the same record, outside and inside. */
import { openApp } from '../harness/test-app';

const ODA = {
  permissions: { call: true, text: true, email: true },
  place: { city: 'Saltmarsh', postal_code: '98741', street: '14 Heron Lane' },
};

test('the same days twice from the same state give the same record', async () => {
  const run = async () => {
    const own = await openApp();
    for (let n = 0; n < 12; n += 1) {
      own.world.people.script(`+1564555013${n % 10}`, {
        answers: [{ to: 'text', after: `PT${n + 1}H`, body: n % 3 ? 'yes' : 'STOP' }],
      });
      await own.arrives({ ...ODA, emails: [`same${n}@days.example`], phones: [`+1${564 + (n > 9 ? 1 : 0)}555013${n % 10}`] });
    }
    await own.advance('P6D');
    const record = own.received().map(({ key, channel, to, at, body }) => ({ key, channel, to, at, body }));
    const lines = await own.db.rows<{ line: string }>(
      `select kind || ' ' || contact_id || ' ' || at as line from activities order by at, contact_id, kind`,
    );
    await own.close();
    return JSON.stringify({ record: record.sort((a, b) => (a.key < b.key ? -1 : 1)), lines });
  };
  expect(await run()).toBe(await run());
});

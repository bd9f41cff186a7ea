/** Any reasonable way of saying stop: revoked at once, confirmed once, and nothing takes them in again. */
import { NO_PLAN, type Plan } from '@/core/campaigns';
import { appForEach } from '../harness/each';

const app = appForEach();
const PHONE = '+13605550144';
const EMAIL = 'oda@people.example';

async function somebody() {
  const lead = { emails: [EMAIL], phones: [PHONE], roles: ['buyer'], permissions: { call: true, text: true, email: true } };
  return (await app().arrives(lead)).contact.id;
}
let events = 0;
const texts = (body: string, from = PHONE) =>
  app().m.messages.receiveText({
    eventId: `t${(events += 1)}`,
    from,
    to: '+13605550100',
    body,
    at: new Date('2026-11-23T18:00:00Z'),
  });
const permissions = async () =>
  (
    await app().db.rows<{ channel: string; address: string }>(
      `select channel, address from permissions where state = 'withdrawn' order by address, channel`,
    )
  ).map(({ channel, address }) => `${channel} ${address}`);
const contact = (id: string) =>
  app().db.first<{ stage: string; do_not_contact: boolean; refused: boolean }>(
    'select stage, do_not_contact, refused_at is not null as refused from contacts where id = $1',
    [id],
  );

test('“Stop texting me” ends texts and campaigns, raises no stage, is confirmed once, and nothing begins again', async () => {
  const id = await somebody();
  await app().settle();
  await texts('Stop texting me');
  await app().settle();
  expect(await permissions()).toEqual([`text ${PHONE}`]);
  expect(await contact(id)).toEqual({ stage: 'new', do_not_contact: false, refused: true });
  await texts('I said stop');
  await app().settle();
  const confirmed = await app().db.rows<{ state: string; text: string }>(
    `select state, payload->>'text' as text from outbox where payload ? 'confirms'`,
  );
  expect(confirmed).toEqual([{ state: 'sent', text: 'Test House: You’re unsubscribed. You won’t get any more texts from us.' }]);
  const plan: Plan = {
    ...NO_PLAN,
    anyStage: true,
    starts: [{ on: 'day', day: '11-24', at: '09:00' }],
    steps: [{ id: 0, when: { after: 'start', minutes: 0 }, do: 'task', role: 'owner', note: 'x' }],
  };
  const { campaigns } = app().m;
  const draft = await campaigns.createCampaign(app().as('Ada'), { name: 'A year' });
  const saved = await campaigns.saveVersion(app().as('Ada'), draft.id, { plan, seen: draft.version.id });
  await campaigns.updateCampaign(app().as('Ada'), saved.id, { state: 'on' });
  await app().advance('PT30H');
  await app().arrives({ emails: [EMAIL], roles: ['buyer'], permissions: { text: true } });
  await expect(campaigns.enrollContact(app().as('Ada'), id, saved.id)).rejects.toMatchObject({ code: 'conflict' });
  expect(await app().db.rows(`select 1 from enrollments where contact_id = $1 and state in ('active','paused')`, [id])).toEqual(
    [],
  );
  expect(await permissions()).toEqual([`text ${PHONE}`]);
});

test('“take me off your list” ends everything; “stop calling me” ends calls alone', async () => {
  const id = await somebody();
  await texts('Please stop calling me, text is fine');
  expect(await permissions()).toEqual([`call ${PHONE}`]);
  await texts('No. Take me off your list');
  expect(await permissions()).toEqual([`call ${PHONE}`, `text ${PHONE}`, `email ${EMAIL}`, `letter person:${id}`]);
  expect(await contact(id)).toMatchObject({ do_not_contact: true });
});

test('“wrong person” gives up the number and keeps the contact', async () => {
  const id = await somebody();
  await texts('This isn’t Oda, wrong person');
  expect(await permissions()).toEqual([`call ${PHONE}`, `text ${PHONE}`]);
  expect(await contact(id)).toEqual({ stage: 'new', do_not_contact: false, refused: false });
  expect(await app().db.first('select error from contact_points where value = $1', [PHONE])).toEqual({ error: 'wrong number' });
});

test('“not now” pauses and asks the agent; “can we stop by the house?” is an answer', async () => {
  const id = await somebody();
  await texts('Not now, I am driving');
  expect(await permissions()).toEqual([]);
  expect(await app().db.first(`select note from tasks where contact_id = $1 and note like 'They wrote%'`, [id])).not.toBeNull();
  expect(await app().db.rows(`select 1 from enrollments where contact_id = $1 and state = 'active'`, [id])).toEqual([]);
  const [asked] = (await app().m.messages.listAnswers(app().scope, { unread: true, limit: 5 })).items;
  expect(asked!.next).toMatchObject({ do: 'judge' });
  await app().m.messages.judgeRefusal(app().as('Ada'), id, false);
  expect((await app().m.messages.listAnswers(app().scope, { unread: true, limit: 5 })).items[0]!.next.do).not.toBe('judge');
  await texts('Can we stop by the house?');
  expect(await permissions()).toEqual([]);
  expect(await contact(id)).toEqual({ stage: 'talking', do_not_contact: false, refused: false });
});

test('what was not sure and meant stop is one tap', async () => {
  const id = await somebody();
  await texts('no thanks');
  await app().m.messages.judgeRefusal(app().as('Ada'), id, true);
  expect(await permissions()).toHaveLength(4);
  expect(await contact(id)).toMatchObject({ do_not_contact: true, refused: true });
  expect(await app().db.rows(`select 1 from enrollments where contact_id = $1 and state in ('active','paused')`, [id])).toEqual(
    [],
  );
});

test('a stranger who says stop is not made a contact, and never written to', async () => {
  await texts('STOP', '+13605550177');
  expect(await permissions()).toEqual(['call +13605550177', 'text +13605550177']);
  expect(await app().db.rows(`select 1 from contact_points where value = '+13605550177'`)).toEqual([]);
});

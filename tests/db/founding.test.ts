/** A brokerage that was just founded works: its owner logs in, a lead finds them, and nothing of it is another's. */
import { wholeAccount } from '../../src/core/accounts';
import { STARTERS } from '../../src/core/campaigns';
import { appForEach } from '../harness/each';

const app = appForEach();
const OWNER = {
  role: 'owner' as const,
  firstName: 'Maren',
  lastName: 'Ostby',
  email: 'Maren@ostby.example',
  phone: '+13605550177',
  office: 0,
};

async function found(more: object = {}) {
  const { m } = app();
  const passwordHash = await m.accounts.hashPassword('a long password');
  return m.shared.transact(async (tx) =>
    m.founding.foundBrokerage(
      tx,
      { name: 'Ostby Homes', timeZone: 'America/Denver', offices: ['Main'], users: [{ ...OWNER, passwordHash }], ...more },
      await m.shared.now(tx),
    ),
  );
}

test('its owner logs in and has what an account begins with; the first lead is theirs', async () => {
  const { m } = app();
  const { accountId } = await found();
  const { token } = await m.accounts.logIn('maren@ostby.example', 'a long password', { from: '203.0.113.9' });
  const owner = (await m.accounts.personOfSession(token))!;
  expect(owner).toMatchObject({ accountId, role: 'owner', timeZone: 'America/Denver' });
  expect((await m.vocabulary.listStages(accountId)).map(({ key }) => key)).toContain('past_client');
  expect((await m.vocabulary.listHorizons(accountId)).map(({ key }) => key)).toEqual(['hot', 'warm', 'nurture', 'someday']);
  expect(await m.accounts.readSettings(accountId)).toMatchObject({ sendStart: '08:00', postalAddress: '' });
  const campaigns = await m.campaigns.listCampaigns(wholeAccount(accountId));
  expect(campaigns.map(({ name }) => name).sort()).toEqual(STARTERS.map(({ name }) => name).sort());
  expect(new Set(campaigns.map(({ state }) => state))).toEqual(new Set(['draft']));
  const { readInquiry } = await import('../../src/core/capture/schemas');
  const raw = { person: { first_name: 'Oda', emails: ['oda@lead.example'] } };
  const door = await m.capture.doorOfKind(accountId, 'api');
  const captured = await m.capture.captureInquiry({ door, raw, inquiry: readInquiry(raw), idempotencyKey: null, byPerson: null });
  expect(captured).toMatchObject({ contact: { status: 'created' }, routing: { agent: { name: 'Maren Ostby' } } });
  expect(await app().db.rows('select distinct account_id::text from contacts')).toEqual([{ account_id: accountId }]);
});

test('agents are on its first roster; without anybody who runs the office it is not founded', async () => {
  const agent = { role: 'agent', firstName: 'Sol', lastName: 'Reyes', email: 'sol@ostby.example', phone: null, office: null };
  const { rosterIds, userIds } = await found({
    users: [
      { ...OWNER, passwordHash: 'none' },
      { ...agent, passwordHash: 'none' },
    ],
  });
  expect(
    await app().db.rows(
      'select user_id::text, safety_net_id::text from roster_members m join rosters r on r.id = m.roster_id where r.id = $1',
      [rosterIds[0]],
    ),
  ).toEqual([{ user_id: userIds[1], safety_net_id: userIds[0] }]);
  await expect(found({ users: [{ ...agent, email: 'b@ostby.example', passwordHash: 'none' }] })).rejects.toMatchObject({
    code: 'input_invalid',
  });
});

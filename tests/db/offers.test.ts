/** Offers with windows: claimed by one of many, passed on in time, never lost and never with two; answered on the page, by text, by mail; and their way to read. */
import { scopeFor } from '@/core/accounts';
import { appForEach } from '../harness/each';
import { MONDAY_MORNING, type TestApp } from '../harness/test-app';

const opened = appForEach();
let app: TestApp;
beforeEach(() => {
  app = opened();
});

const roster = (change: object) => app.m.routing.updateRoster(app.as('Ada'), '1', change);
const idOf = (name: string) => app.users[name]!.id;
const offersOf = (name: string) => app.m.routing.listMyOffers('1', idOf(name));
const accept = async (name: string, by?: 'page' | 'text') => {
  const [offer] = await offersOf(name);
  return app.m.routing.acceptOffer(app.as(name), offer!.id, by);
};
const ownerOf = async (contactId: string) => (await app.contact(contactId)).owner?.name ?? null;
const describeRoster = async (inquiryId: string) =>
  (await app.m.routing.readTrace(app.scope, inquiryId)).steps.map(({ text }) => text);
const everyone = ['Abel', 'Brisa', 'Caspian'];

describe('open claim', () => {
  beforeEach(() => roster({ hand_out: 'open', window_seconds: 300 }));

  test('it is offered to all at once; the first who accepts has it, and its follow-up begins then; the others read who was first', async () => {
    const { contact, inquiry, routing } = await app.arrives({ phones: ['+15645550123'], permissions: { text: true } });
    expect(routing).toEqual({
      agent: null,
      because: 'Rung 1, “Buyers”: offered to Abel Test, Brisa Test and Caspian Test of Coast agents.',
    });
    expect(await ownerOf(contact.id)).toBeNull();
    await app.settle();
    expect(app.received('text')).toEqual([]);
    const [late] = await offersOf('Caspian');
    await app.advance('PT42S');
    expect(await accept('Brisa')).toEqual({ contact_id: contact.id, name: 'Oda Brandvold' });
    await expect(app.m.routing.acceptOffer(app.as('Caspian'), late!.id)).rejects.toMatchObject({
      code: 'conflict',
      message: 'Brisa Test was first, after 42 sec. The lead is theirs.',
    });
    expect(await ownerOf(contact.id)).toBe('Brisa Test');
    expect(await describeRoster(inquiry.id)).toEqual([
      'Coast agents, open claim: offered to Abel Test, Brisa Test and Caspian Test for 5 min.',
      'Brisa Test accepted after 42 sec, the first of 3.',
    ]);
    await app.advance('PT10M');
    expect(app.received('text').map(({ from }) => from)).toEqual([app.users.Brisa!.phone]);
  });

  test('who gave no name is called by how they are reached, but not where they are only offered; who asks twice waits once', async () => {
    const { contact } = await app.arrives({ first_name: '', last_name: '', phones: ['+15645550123'], emails: [] });
    expect((await offersOf('Brisa')).map(({ name }) => name)).toEqual(['']);
    await accept('Brisa');
    await app.arrives({ first_name: '', last_name: '', phones: ['+15645550123'], emails: [] });
    const waiting = await app.m.routing.listWaitingOffers(app.scope);
    expect(waiting).toMatchObject({ total: 1, items: [{ contact_id: contact.id, name: '(564) 555-0123' }] });
  });

  test('a hundred acceptances at the same instant: one has it', async () => {
    const people = await Promise.all(
      Array.from({ length: 97 }, async (_, n) => {
        const row = await app.db.first<{ id: string }>(
          `insert into users (account_id, office_id, role, first_name, last_name, email, time_zone, password_hash) values (1, 1, 'agent', 'Agent', $1, $2, 'America/Los_Angeles', '') returning id`,
          [String(n), `a${n}@crowd.example`],
        );
        await app.db.run('insert into roster_members (roster_id, user_id, position) values (1, $1, $2)', [row!.id, n + 10]);
        return row!.id;
      }),
    );
    const { contact } = await app.arrives({ emails: ['crowd@open.example'] });
    const offers = await app.db.rows<{ id: string; user_id: string }>(`select id, user_id from offers where state = 'open'`);
    expect(offers).toHaveLength(people.length + 3);
    const answers = await Promise.allSettled(
      offers.map(({ id, user_id }) => app.m.routing.acceptOffer({ kind: 'user', user: { ...app.users.Abel!, id: user_id } }, id)),
    );
    const won = answers.filter(({ status }) => status === 'fulfilled');
    const lost = answers.flatMap((answer) => (answer.status === 'rejected' ? [(answer.reason as Error).message] : []));
    expect(won).toHaveLength(1);
    expect(new Set(lost).size).toBe(1);
    expect(lost[0]).toMatch(/^\S+ \S+ was first, at once\. The lead is theirs\.$/);
    const owner = await ownerOf(contact.id);
    expect(lost[0]).toContain(owner);
    expect((await app.db.first<{ n: number }>(`select count(*)::int as n from offers where state = 'accepted'`))!.n).toBe(1);
  });

  test('name and source are hidden until it is claimed; a person outside the roster sees no offer', async () => {
    await roster({ hides: ['name', 'source'] });
    await app.arrives({ first_name: 'Perpetua', emails: ['p@hidden.example'], message: 'Is 14 Heron Lane free?' });
    expect(await offersOf('Abel')).toEqual([
      expect.objectContaining({ name: null, source: null, place: 'Saltmarsh', ask: 'Is 14 Heron Lane free?', others: 2 }),
    ]);
    expect(await offersOf('Cato')).toEqual([]);
    const [offer] = await offersOf('Abel');
    await expect(app.m.routing.acceptOffer(app.as('Cato'), offer!.id)).rejects.toMatchObject({ code: 'not_found' });
    expect((await accept('Abel')).name).toBe('Perpetua Brandvold');
  });

  test('a second inquiry of the same person while it is offered goes where the first goes; nobody has two owners', async () => {
    const first = await app.arrives({ emails: ['twice@open.example'] });
    const second = await app.arrives({ emails: ['twice@open.example'], message: 'And the garden?' });
    expect(second.contact).toMatchObject({ id: first.contact.id, status: 'matched' });
    expect(second.routing.because).toBe('Belongs to a lead that’s already being offered.');
    expect(await offersOf('Abel')).toHaveLength(1);
    await accept('Abel');
    const owners = await app.db.rows<{ owner_id: string }>('select distinct owner_id from inquiries');
    expect(owners).toEqual([{ owner_id: idOf('Abel') }]);
    expect(await describeRoster(second.inquiry.id)).toEqual(['Belongs to the lead that Abel Test has.']);
  });

  test('nobody claims: the commons, where the roster may take it, and then the safety net within the sum of the windows', async () => {
    await roster({ then: { to: 'commons', seconds: 600 } });
    const { contact, inquiry } = await app.arrives({ emails: ['slow@open.example'] });
    await app.advance('PT5M');
    expect(await offersOf('Abel')).toEqual([expect.objectContaining({ commons: true })]);
    await app.advance('PT10M');
    expect(await offersOf('Abel')).toEqual([]);
    expect(await ownerOf(contact.id)).toBe('Ada Test');
    expect((await describeRoster(inquiry.id)).slice(1)).toEqual([
      'Time ran out: Abel Test, Brisa Test and Caspian Test didn’t answer.',
      'In the commons of Coast agents for 10 min: first to take it gets it.',
      'Time ran out: Abel Test, Brisa Test and Caspian Test didn’t answer.',
      'No one on Coast agents accepted in time, so it goes to the safety net: Ada Test.',
    ]);
  });

  test('when all decline it goes on at once', async () => {
    const { contact } = await app.arrives({ emails: ['declined@open.example'] });
    for (const name of everyone) await app.m.routing.declineOffer(app.as(name), (await offersOf(name))[0]!.id);
    expect(await ownerOf(contact.id)).toBe('Ada Test');
  });

  test('handed to somebody by hand while it is offered: the offers end', async () => {
    const { contact, inquiry } = await app.arrives({ emails: ['byhand@open.example'] });
    const [offer] = await offersOf('Abel');
    await app.m.contacts.updateContact(app.as('Ada'), contact.id, { owner_id: idOf('Caspian') });
    expect(await offersOf('Abel')).toEqual([]);
    await expect(app.m.routing.acceptOffer(app.as('Abel'), offer!.id)).rejects.toMatchObject({
      message: 'The lead was handed to Caspian Test.',
    });
    await app.advance('PT1H');
    expect(await ownerOf(contact.id)).toBe('Caspian Test');
    expect((await describeRoster(inquiry.id)).at(-1)).toBe('Handed to Caspian Test by hand.');
    const waiting = await app.m.routing.listWaitingOffers(app.scope);
    expect(waiting.items).toEqual([expect.objectContaining({ agent: { id: idOf('Caspian'), name: 'Caspian Test' } })]);
  });
});

describe('timed turns', () => {
  beforeEach(() => roster({ hand_out: 'turns', window_seconds: 120 }));

  test('one after the other, each with a window, to the second also across the change of clocks', async () => {
    await app.setClock(new Date('2027-03-14T09:58:30Z'));
    const { contact } = await app.arrives({ emails: ['turns@window.example'] });
    const offered: string[] = [];
    for (let n = 0; n < 3; n += 1) {
      for (const name of everyone) if ((await offersOf(name)).length) offered.push(name);
      await app.advance('PT2M');
    }
    expect(offered).toEqual(everyone);
    expect(await ownerOf(contact.id)).toBe('Ada Test');
  });

  test('the next lead begins with the next person; who is paused, off or full is passed over, with the reason', async () => {
    const member = (name: string, more: object = {}) => ({ id: idOf(name), ...more });
    await roster({
      members: [
        member('Abel'),
        member('Brisa', { hours: [{ days: [7], from: '09:00', to: '12:00' }] }),
        member('Caspian', { daily_cap: 0 }),
      ],
    });
    const { inquiry } = await app.arrives({ emails: ['one@passed.example'] });
    expect((await describeRoster(inquiry.id))[0]).toBe(
      'Coast agents, timed turns: offered to Abel Test for 2 min; Brisa Test is off right now and Caspian Test reached the daily limit.',
    );
    expect((await app.m.routing.readLadder(app.scope)).rosters[0]!.members.map(({ off }) => off)).toEqual([
      null,
      'Brisa Test is off right now',
      'Caspian Test reached the daily limit',
    ]);
  });

  test('a roster emptied while an offer is out, and one taken off it: the lead goes on, the offer is gone', async () => {
    const { contact } = await app.arrives({ emails: ['emptied@turns.example'] });
    const [offer] = await offersOf('Abel');
    await roster({ members: [] });
    expect(await ownerOf(contact.id)).toBe('Ada Test');
    await expect(app.m.routing.acceptOffer(app.as('Abel'), offer!.id)).rejects.toMatchObject({ code: 'conflict' });
  });

  test('an acceptance after the end, before anybody carried the end out, is refused and the next has it', async () => {
    const { contact } = await app.arrives({ emails: ['late@turns.example'] });
    const [offer] = await offersOf('Abel');
    await app.setClock(new Date(MONDAY_MORNING.getTime() + 121_000));
    await expect(app.m.routing.acceptOffer(app.as('Abel'), offer!.id)).rejects.toMatchObject({
      message: 'Time ran out, and the lead moved on to someone else.',
    });
    await accept('Brisa');
    expect(await ownerOf(contact.id)).toBe('Brisa Test');
  });

  test('a window whose end fails holds up no other, and is tried again', async () => {
    const broken = await app.arrives({ emails: ['broken@turns.example'] });
    const sound = await app.arrives({ emails: ['sound@turns.example'] });
    const complaints = jest.spyOn(console, 'error').mockImplementation(() => {});
    await app.db.run(`update routings set trace = '{}' where inquiry_id = $1`, [broken.inquiry.id]);
    await app.setClock(new Date(MONDAY_MORNING.getTime() + 120_000));
    await app.m.routing.carryOutWindows();
    expect(await describeRoster(sound.inquiry.id)).toHaveLength(3);
    expect(complaints).toHaveBeenCalledTimes(1);
    await app.db.run(`update routings set trace = '{"unmet": [], "rung": 1, "steps": []}' where inquiry_id = $1`, [
      broken.inquiry.id,
    ]);
    await app.setClock(new Date(MONDAY_MORNING.getTime() + 150_000));
    await app.m.routing.carryOutWindows();
    expect(await describeRoster(broken.inquiry.id)).toHaveLength(2);
    complaints.mockRestore();
  });

  test('two workers at the end of the same window pass it on once', async () => {
    const { inquiry } = await app.arrives({ emails: ['workers@turns.example'] });
    await app.setClock(new Date(MONDAY_MORNING.getTime() + 120_000));
    await Promise.all(Array.from({ length: 6 }, () => app.m.routing.carryOutWindows()));
    expect(await offersOf('Brisa')).toHaveLength(1);
    expect(await describeRoster(inquiry.id)).toHaveLength(3);
  });
});

describe('given at once', () => {
  test('goes on when nobody has tried it in time; a try keeps it', async () => {
    await roster({ try_seconds: 600 });
    const saved = await app.arrives({ phones: ['+15645550123'], permissions: { call: true } });
    const lost = await app.arrives({ emails: ['lost@untried.example'] });
    expect([saved.routing.agent!.name, lost.routing.agent!.name]).toEqual(['Abel Test', 'Brisa Test']);
    app.world.people.script('+15645550123', { call: 'voicemail' });
    await app.m.calling.startCall(app.as('Abel'), saved.contact.id);
    await app.settle();
    await app.advance('PT10M');
    expect([await ownerOf(saved.contact.id), await ownerOf(lost.contact.id)]).toEqual(['Abel Test', 'Caspian Test']);
    expect(await describeRoster(lost.inquiry.id)).toContain('Brisa Test didn’t attempt it within 10 min.');
    await app.advance('PT30M');
    expect(await ownerOf(lost.contact.id)).toBe('Ada Test');
  });

  test('weighted: shares over many at once', async () => {
    await roster({
      hand_out: 'weighted',
      members: everyone.map((name, at) => ({ id: idOf(name), weight: [5, 3, 2][at] })),
    });
    await Promise.all(Array.from({ length: 50 }, (_, n) => app.arrives({ emails: [`w${n}@weighted.example`] })));
    const rows = await app.db.rows<{ n: number }>('select count(*)::int as n from contacts group by owner_id order by owner_id');
    expect(rows.map(({ n }) => n)).toEqual([25, 15, 10]);
  });

  test('the source names the agent: kept; somebody who left: the ladder', async () => {
    const { routing } = await app.arrives({ emails: ['named@source.example'], assigned_to: app.users.Caspian!.email });
    expect(routing).toEqual({
      agent: { id: idOf('Caspian'), name: 'Caspian Test' },
      because: 'The source named the agent: Caspian Test.',
    });
    await app.db.run('update users set active = false where id = $1', [idOf('Caspian')]);
    const after = await app.arrives({ emails: ['gone@source.example'], assigned_to: app.users.Caspian!.email });
    expect(after.routing.agent!.name).toBe('Abel Test');
  });
});

describe('by text and mail', () => {
  beforeEach(async () => {
    await roster({ hand_out: 'open', window_seconds: 300 });
    const { version, rungs } = await app.m.routing.readLadder(app.scope);
    await app.m.routing.saveLadder(app.as('Ada'), version, {
      rungs: rungs.map(({ id, tree, roster: { id: roster_id } }) => ({ id, tree, roster_id, notify: ['text', 'email'] })),
    });
  });
  const sent = (channel: 'text' | 'email', to: string) => app.received(channel).filter((item) => item.to === to);

  test('agents are told once; a reply by text takes it and the others who reply read who was first', async () => {
    const { contact } = await app.arrives({ emails: ['text@notice.example'], message: 'Any open house?' });
    await app.tellAgents();
    await app.tellAgents();
    const [told] = sent('text', app.users.Brisa!.phone!);
    expect(sent('text', app.users.Brisa!.phone!)).toHaveLength(1);
    expect(told!.body).toMatch(
      /^Oda Brandvold.*is offered to you until 10:05 AM: Any open house\?\nReply 1 to take it, 0 to pass \(no\. \d+\)\.$/s,
    );
    const reply = (name: string, body: string, eventId: string) =>
      app.m.messages.receiveText({ eventId, from: app.users[name]!.phone!, to: told!.from, body, at: MONDAY_MORNING });
    await reply('Brisa', '1', 'take');
    await reply('Abel', 'yes', 'too-late');
    await app.tellAgents();
    expect(await ownerOf(contact.id)).toBe('Brisa Test');
    expect(sent('text', app.users.Brisa!.phone!).at(-1)!.body).toBe('Oda Brandvold is yours.');
    expect(sent('text', app.users.Abel!.phone!).at(-1)!.body).toBe('Brisa Test was first, at once. The lead is theirs.');
    expect((await app.db.first<{ n: number }>('select count(*)::int as n from contacts'))!.n).toBe(1);
  });

  test('a reply by mail declines; one that is forged does nothing', async () => {
    await app.arrives({ emails: ['mail@notice.example'] });
    await app.tellAgents();
    const [mail] = sent('email', app.users.Abel!.email);
    const address = /offer\+[^@>\s]+/.exec(JSON.stringify(mail))?.[0] ?? '';
    const answer = (from: string, text: string) =>
      app.m.messages.receiveMail({
        messageId: from,
        from,
        fromName: '',
        toLocalParts: [address],
        subject: 'Re: A lead',
        text,
        autoReply: false,
      });
    await answer('stranger@elsewhere.example', 'take');
    expect(await offersOf('Abel')).toHaveLength(1);
    await answer(app.users.Abel!.email, 'Pass, I am at a closing.');
    expect(await offersOf('Abel')).toEqual([]);
    expect(await offersOf('Brisa')).toHaveLength(1);
  });
});

test('a rung that tells by call rings the agent who has the lead, once', async () => {
  const { version, rungs } = await app.m.routing.readLadder(app.scope);
  await app.m.routing.saveLadder(app.as('Ada'), version, {
    rungs: rungs.map(({ id, tree }) => ({ id, tree, roster_id: '1', notify: ['call'] })),
  });
  const { routing } = await app.arrives({ emails: ['ring@notice.example'] });
  await app.tellAgents();
  await app.tellAgents();
  const agent = Object.values(app.users).find(({ id }) => id === routing.agent!.id)!;
  expect(app.received('call').map(({ to }) => to)).toEqual([agent.phone]);
});

test('somebody on a roster that shows all its leads sees that roster’s leads, and no other contact of the others on it', async () => {
  await app.arrives({ emails: ['a@shared.example'] });
  const other = await app.arrives({ emails: ['b@shared.example'] });
  const holder = (await app.contact(other.contact.id)).owner!.id;
  const [own] = await app.db.rows<{ id: string }>(
    `insert into contacts (account_id, owner_id, first_name, time_zone, stage_since, created_at, updated_at) values (1, $1, 'Friend', 'UTC', now(), now(), now()) returning id`,
    [holder],
  );
  await app.completePeople();
  const asAbel = async () => scopeFor({ kind: 'user', user: (await app.m.accounts.findUser(idOf('Abel')))! });
  const sees = async () => (await app.m.contacts.listContacts(await asAbel(), { limit: 9 })).items.map(({ id }) => id);
  expect(await sees()).not.toContain(other.contact.id);
  await roster({ sees: 'all' });
  expect(await sees()).toContain(other.contact.id);
  expect(await sees()).not.toContain(own!.id);
  await expect(app.m.contacts.findContact(await asAbel(), own!.id)).rejects.toMatchObject({ code: 'not_found' });
  /* Handed to somebody who is not on the roster, the lead is theirs alone. */
  await app.db.run('delete from roster_members where user_id = $1', [holder]);
  expect(await sees()).not.toContain(other.contact.id);
});

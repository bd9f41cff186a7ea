/** Lead mailboxes: mails over SMTP become inquiries, answers, or wait for a person; twice delivered they are taken once; none is lost. */
import { readdirSync, readFileSync } from 'node:fs';
import { Socket } from 'node:net';
import { join } from 'node:path';
import nodemailer from 'nodemailer';
import { appForEach } from '../harness/each';

const FOLDER = join(__dirname, '../data/mails');
const FILES = readdirSync(FOLDER).filter((name) => name.endsWith('.eml'));
const fileOf = (number: string): Buffer =>
  readFileSync(
    join(
      FOLDER,
      FILES.find((name) => name.startsWith(number))!,
    ),
  );
const app = appForEach();

async function mailbox(name = 'Portal mails', source: string | null = null) {
  return app().m.capture.createDoor(app().as('Ada'), { kind: 'mail', name, source });
}
/** Sends a mail as it stands to an address. @returns the server's refusal, or null */
async function send(raw: Buffer | string, to: string | string[]): Promise<string | null> {
  const post = nodemailer.createTransport({ host: '127.0.0.1', port: app().mailDoorPort, secure: false, ignoreTLS: true });
  try {
    await post.sendMail({ envelope: { from: 'portal@brackwater.example', to }, raw });
    return null;
  } catch (error) {
    return (error as { response?: string }).response ?? String(error);
  } finally {
    post.close();
  }
}
const states = () =>
  app().db.rows<{ state: string; n: number }>('select state, count(*)::int as n from lead_mails group by state order by state');
const counts = async () =>
  (await app().db.first<object>(
    'select (select count(*)::int from contacts) as contacts, (select count(*)::int from inquiries) as inquiries, (select count(*)::int from contact_points where active) as points',
  ))!;

test('all the mails, in order and then all again: each lead once, what is none makes nobody, an answer goes to its contact', async () => {
  const { address } = await mailbox();
  for (const file of FILES) expect([file, await send(readFileSync(join(FOLDER, file)), address!)]).toEqual([file, null]);
  const first = await counts();
  /* 02 and 28 are one mail. Two speak of nobody who can be reached or of several people. */
  expect(await states()).toEqual([
    { state: 'answer', n: 1 },
    { state: 'set_aside', n: 4 },
    { state: 'taken', n: FILES.length - 1 - 1 - 4 - 2 },
    { state: 'waiting', n: 2 },
  ]);
  for (const file of FILES) await send(readFileSync(join(FOLDER, file)), address!);
  expect(await counts()).toEqual(first);
  const [oda] = (await app().m.contacts.listContacts(app().scope, { q: 'oda.brandvold@fjordpost', limit: 2 })).items;
  const story = await app().story(oda!.id);
  expect(story).toContainEqual(expect.stringContaining('message email in: Thursday at 4:30 works.'));
  expect(story.filter((line) => line.startsWith('inquiry'))).toHaveLength(1);
  const nobody = await app().m.contacts.listContacts(app().scope, { q: 'odalys', limit: 2 });
  expect(nobody.items).toEqual([]);
});

test('what the mail says stands at the contact and the inquiry: role, wants, permissions with the mailbox as evidence, source', async () => {
  const { address } = await mailbox('Website');
  await send(fileOf('06'), address!);
  const [found] = (await app().m.contacts.listContacts(app().scope, { q: 'tokonjo', limit: 2 })).items;
  const contact = await app().contact(found!.id);
  expect(contact).toMatchObject({
    first_name: 'Thaddeus',
    last_name: 'Okonjo-Blythe',
    roles: ['buyer'],
    source: 'Website form',
    wants: { price_min: 450000, price_max: 525000, bedrooms: 3, bathrooms: 2.5, areas: ['Petrel Point', 'Saltmarsh'] },
    permissions: { text: 'granted', email: 'granted', call: 'withdrawn' },
  });
  expect(contact.owner).not.toBeNull();
  expect(contact.permission_details.map(({ how }) => how)).toContainEqual(expect.stringContaining('Website'));
});

test('with whom they ask, an extension, the day of the move and a no to letters stand at the contact as well', async () => {
  const { address } = await mailbox();
  await send(
    'From: Web form <form@shorelane.example>\r\nSubject: Contact request\r\n\r\nName: Tobias Ahlgren\r\nPartner: Signe Ahlgren\r\nPhone: 564.555.0178 ext. 44\r\nMoving date: 2027-02-15\r\nMay we send you letters: No\r\nComments: Three bedrooms please.\r\n',
    address!,
  );
  const [found] = (await app().m.contacts.listContacts(app().scope, { q: '5645550178', limit: 2 })).items;
  const contact = await app().contact(found!.id);
  expect(contact).toMatchObject({
    addresses: { phones: [expect.objectContaining({ value: '+15645550178', extension: '44' })] },
    wants: { move_by: '2027-02-15' },
    permissions: { letter: 'withdrawn' },
  });
  const line = await app().db.first<{ data: object }>(`select data from activities where contact_id = $1 and kind = 'inquiry'`, [
    found!.id,
  ]);
  expect(line!.data).toMatchObject({ partner: 'Signe Ahlgren' });
});

test('a mail that nobody can be reached by waits, is completed by a person once, and is an inquiry then', async () => {
  const { address } = await mailbox('Website', 'Contact page');
  await send(fileOf('23'), address!);
  const { messages } = app().m;
  const [waiting] = (await messages.listLeadMails(app().scope, 'waiting', 10)).items;
  const { body, inquiry } = await messages.findLeadMail(app().scope, waiting!.id);
  expect(body).toContain('Please call me back about the corner house');
  const permission = {
    ...inquiry,
    person: { first_name: 'Perpetua', last_name: 'Lindgren', emails: [], phones: ['564-555-0199'] },
  };
  await expect(
    messages.convertToInquiry(app().as('Ada'), waiting!.id, { ...permission, person: { first_name: 'P' } }),
  ).rejects.toMatchObject({
    code: 'input_invalid',
  });
  await messages.setLeadMailAside(app().as('Ada'), waiting!.id, true);
  await messages.setLeadMailAside(app().as('Ada'), waiting!.id, false);
  const [one, two] = await Promise.allSettled([
    messages.convertToInquiry(app().as('Ada'), waiting!.id, permission),
    messages.convertToInquiry(app().as('Ada'), waiting!.id, permission),
  ]);
  expect([one.status, two.status]).toContain('fulfilled');
  expect(await counts()).toMatchObject({ contacts: 1, inquiries: 1 });
  expect((await messages.listLeadMails(app().scope, 'waiting', 10)).items).toEqual([]);
  await expect(messages.setLeadMailAside(app().as('Ada'), waiting!.id, true)).rejects.toMatchObject({ code: 'conflict' });
});

test('an address that was changed takes no more mail; the new one does; other houses see neither', async () => {
  const made = await mailbox();
  const changed = await app().m.capture.rotateDoor(app().as('Ada'), made.id);
  expect(changed.address).not.toBe(made.address);
  expect(await send(fileOf('01'), made.address!)).toContain('550');
  expect(await send(fileOf('01'), changed.address!)).toBeNull();
  expect(await states()).toEqual([{ state: 'taken', n: 1 }]);
  await expect(app().m.capture.rotateDoor(app().as('Ada'), '1')).rejects.toMatchObject({ code: 'not_found' });
  const local = changed.address!.split('@')[0]!;
  await app().m.capture.closeDoor(app().as('Ada'), made.id, true);
  expect(await app().m.capture.doorOfAddress(local)).toBeNull();
  await expect(app().m.capture.closeDoor(app().as('Ada'), made.id, true)).rejects.toMatchObject({ code: 'not_found' });
  await app().m.capture.closeDoor(app().as('Ada'), made.id, false);
  expect(await app().m.capture.doorOfAddress(local)).toMatchObject({ id: made.id });
  await expect(app().m.capture.closeDoor(app().as('Ada'), '1', true)).rejects.toMatchObject({ code: 'not_found' });
  const seen = await app().m.capture.listDoors(app().scopeOf('Abel'), new Date());
  expect(seen.every(({ address }) => address === null)).toBe(true);
});

test('the same mail at the same moment over several connections is one inquiry', async () => {
  const { address } = await mailbox();
  const answers = await Promise.all(Array.from({ length: 6 }, () => send(fileOf('01'), address!)));
  expect(answers.every((answer) => answer === null)).toBe(true);
  expect(await counts()).toMatchObject({ contacts: 1, inquiries: 1 });
});

test('what is broken, huge, forged or endless is refused or kept, and the door stays open', async () => {
  const { address } = await mailbox();
  const header = 'From: Brackwater <leads@brackwater.example>\r\nSubject: x\r\n';
  expect(await send(`${header}\r\n${'a'.repeat(21 * 1024 * 1024)}`, address!)).toContain('552');
  expect(await send('Subject: nobody\r\n\r\nhello', address!)).toContain('554');
  expect(
    await send(
      fileOf('01'),
      Array.from({ length: 60 }, (_, n) => `${n}@somewhere.example`),
    ),
  ).toMatch(/550|552|recipients/);
  expect(await send(`${header}Content-Type: text/plain; charset=no-such-thing\r\n\r\nName: \u00ff\r\n`, address!)).toBeNull();
  expect(await send(`${header}Content-Type: multipart/mixed; boundary="x"\r\n\r\n--x\r\n--x\r\n--x--`, address!)).toBeNull();
  const silent = await Promise.all(
    Array.from(
      { length: 20 },
      () =>
        new Promise<Socket>((resolve) => {
          const socket = new Socket();
          socket.on('error', () => {});
          socket.connect(app().mailDoorPort, '127.0.0.1', () => resolve(socket));
        }),
    ),
  );
  for (const socket of silent) socket.write('EHLO x\r\nMAIL FROM:<a@b.example>\r\n');
  expect(await send(fileOf('02'), address!)).toBeNull();
  for (const socket of silent) socket.destroy();
  expect(await states()).toEqual([
    { state: 'taken', n: 1 },
    { state: 'waiting', n: 2 },
  ]);
});

test('30 MB are refused, also when their size is not said before; of 200 recipients the first are taken and the mail is one inquiry', async () => {
  const { address } = await mailbox();
  const big = `${fileOf('01').toString('latin1')}\r\n${'x'.repeat(76)}\r\n`;
  expect(await send(big + 'y'.repeat(30 * 1024 * 1024), address!)).toContain('552');
  const many = [address!, ...Array.from({ length: 199 }, () => address!.toUpperCase())];
  await send(fileOf('01'), many);
  await send(fileOf('01'), address!);
  expect(await states()).toEqual([{ state: 'taken', n: 1 }]);
  expect(await counts()).toMatchObject({ contacts: 1, inquiries: 1 });
});

test('a loop of automatic answers ends here: nobody is made of them and nothing is sent back', async () => {
  const { address } = await mailbox();
  const before = await app().db.first<{ n: number }>('select count(*)::int as n from outbox');
  for (let n = 0; n < 40; n += 1)
    expect(
      await send(
        `From: Desk of Brackwater <desk@brackwater.example>\r\nTo: ${address}\r\nSubject: Automatic reply: your message\r\nAuto-Submitted: auto-replied\r\nMessage-ID: <loop-${n}@brackwater.example>\r\n\r\nI am away until Monday. My number is (564) 555-0148.\r\n`,
        address!,
      ),
    ).toBeNull();
  await app().advance('PT1H');
  expect(await states()).toEqual([{ state: 'set_aside', n: 40 }]);
  expect(await counts()).toEqual({ contacts: 0, inquiries: 0, points: 0 });
  expect(await app().db.first('select count(*)::int as n from outbox')).toEqual(before);
});

test('what a door gives: its role where the mail says none, its tags and its source; and it says when it has gone quiet', async () => {
  const { capture } = app().m;
  const door = await mailbox('Ads');
  await capture.updateDoor(app().as('Ada'), door.id, {
    name: 'Advertisements',
    source: 'Autumn ads',
    defaults: { roles: ['renter'], tags: ['autumn'], on_the_phone: true },
  });
  await send(fileOf('09'), door.address!);
  await send(fileOf('05'), door.address!);
  const contact = async (q: string) => (await app().m.contacts.listContacts(app().scope, { q, limit: 2 })).items[0]!;
  expect(await contact('amberley')).toMatchObject({ roles: ['renter'], tags: ['autumn'], source: 'Autumn ads' });
  expect((await contact('achterberg')).roles.sort()).toEqual(['buyer', 'seller']);
  const sent = await app().db.rows(`select 1 from outbox where channel = 'text'`, []);
  expect(sent).toEqual([]);
  await expect(capture.updateDoor(app().as('Ada'), '999', { name: 'x' })).rejects.toMatchObject({ code: 'not_found' });

  const begin = Date.parse('2026-11-23T18:00:00Z');
  const quiet = async () =>
    (await capture.listDoors(app().scope, await app().m.shared.now())).map((one) => one.quiet).filter(Boolean);
  for (let n = 0; n < 9; n += 1) {
    await app().setClock(new Date(begin + n * 2 * 3_600_000));
    await app().arrives({ emails: [`n${n}@habit.example`] });
  }
  expect(await quiet()).toEqual([]);
  await app().setClock(new Date(begin + 4 * 24 * 3_600_000));
  expect(await quiet()).toEqual(['No leads for 3 days; usually one comes in within 2 hours.']);
});

test('a lead whose words no inquiry may have waits for a person instead of being lost', async () => {
  const { address } = await mailbox();
  const long = 'x'.repeat(300);
  await send(
    `From: Brackwater <leads@brackwater.example>\r\nSubject: y\r\n\r\nName: Oda Brandvold\r\nEmail: ${long}@x.example\r\nMessage: hello\r\n`,
    address!,
  );
  expect((await states()).map(({ state }) => state)).toEqual(['waiting']);
});

describe('a correction', () => {
  const dispatch = (who: string, how: string, n: number): string =>
    [
      'From: Moorhen Dispatch <dispatch@moorhen.example>',
      `Subject: Ticket ${n}`,
      `Message-ID: <moorhen-${n}@moorhen.example>`,
      'Content-Type: text/plain; charset=utf-8',
      '',
      `TICKET ${n}`,
      '',
      `Party of the first part: ${who}`,
      `Talk line as given / ${how} / day only`,
      '',
      'Moorhen Dispatch, Tarn Hollow',
      '',
    ].join('\r\n');
  const latest = async () =>
    (await app().db.first<{ id: string; state: string; inquiry_id: string | null }>(
      'select id, state, inquiry_id from lead_mails order by id desc limit 1',
    ))!;

  test('made once, the next mail of that sender is read so; by another door and from another sender it is not', async () => {
    const { address } = await mailbox();
    await send(dispatch('Perpetua Lindgren', 'line five', 1), address!);
    const first = await latest();
    expect(first.state).toBe('waiting');
    await app().m.messages.convertToInquiry(
      app().as('Ada'),
      first.id,
      { person: { first_name: 'Perpetua', last_name: 'Lindgren', emails: [], phones: ['564-555-0133'] }, roles: ['renter'] },
      [
        { field: 'name', text: 'Perpetua Lindgren' },
        { field: 'phone', text: 'line five' },
      ],
    );
    await send(dispatch('Anselm Okafor', '(564) 555-0134', 2), address!);
    const next = await latest();
    expect(next.state).toBe('taken');
    const inquiry = await app().m.capture.findInquiry(app().scope, next.inquiry_id!);
    expect(inquiry).toMatchObject({ contact: { name: 'Anselm Okafor' }, lead_mail_id: next.id });
    expect(inquiry.parsed).toMatchObject({ phones: ['+15645550134'] });

    const elsewhere = await mailbox('Another door');
    const spoken = (n: number) => dispatch('Hedda Marsh', 'line six', n);
    await send(spoken(3), elsewhere.address!);
    expect((await latest()).state).toBe('waiting');
    await send(spoken(4).replaceAll('moorhen.example', 'coot.example'), address!);
    expect((await latest()).state).toBe('waiting');
  });

  test('of a mail that was taken in: what is learned is kept, and marked again it is one lesson', async () => {
    const { address } = await mailbox();
    await send(dispatch('Perpetua Lindgren', '564-555-0133', 5), address!);
    const { id } = await latest();
    const teach = () =>
      app().m.messages.teachLeadMail(app().as('Ada'), id, [
        { field: 'name', text: 'Perpetua Lindgren' },
        { field: 'email', text: 'not in it' },
      ]);
    expect(await teach()).toMatchObject({ learned: 1, inquiry: { person: { first_name: 'Perpetua', last_name: 'Lindgren' } } });
    await teach();
    expect((await app().db.first<{ n: number }>('select count(*)::int as n from extraction_rules'))!.n).toBe(1);
  });
});

test('a second sender at a mailbox is proposed; given a door of its own, its mails come by it with what was learned, wherever they are sent', async () => {
  const { m, db } = app();
  const ada = app().as('Ada');
  const { address, id } = await mailbox('Portal mails');
  await m.capture.updateDoor(ada, id, { defaults: { tags: ['portal'] } });
  const mail = (n: number, from: string) =>
    `From: ${from}\r\nTo: ${address}\r\nSubject: New lead\r\nMessage-ID: <sender-${n}@x.example>\r\n\r\nName: Jory Calder ${n}\r\nPhone: (564) 555-01${20 + n}\r\nEmail: jory${n}@calder.example\r\n`;
  for (const [n, from] of [
    'Brackwater <leads@brackwater.example>',
    'Coastal Finder <post@coastal.example>',
    '"Ada" <ada@tern.example>',
  ].entries())
    expect(await send(mail(n, from), address!)).toBeNull();
  await db.run(`update users set email = 'colleague@house.example' where id = 1`);
  expect(await send(mail(3, 'A colleague <ada@house.example>'), address!)).toBeNull();
  const proposed = await m.capture.listSenders(ada);
  expect(proposed.map(({ domain, name, mails, door }) => ({ domain, name, mails, door: door.name }))).toEqual([
    { domain: 'tern.example', name: 'Ada', mails: 1, door: 'Portal mails' },
    { domain: 'coastal.example', name: 'Coastal Finder', mails: 1, door: 'Portal mails' },
  ]);
  await db.run(
    `insert into extraction_rules (account_id, door_id, sender, field, before, after, made_at) values (1, $1, 'coastal.example', 'message', 'a', 'b', now())`,
    [id],
  );
  const coastal = proposed.find(({ domain }) => domain === 'coastal.example')!;
  await m.capture.updateSender(ada, coastal.id, { own_door: true });
  await m.capture.updateSender(ada, proposed[0]!.id, { own_door: false });
  await expect(m.capture.updateSender(ada, coastal.id, { own_door: true })).rejects.toMatchObject({ code: 'not_found' });
  expect(await m.capture.listSenders(ada)).toEqual([]);
  /* The old mail once more, and a new one: only the new one comes, and by the new door. */
  for (const n of [1, 4]) expect(await send(mail(n, 'Coastal Finder <post@coastal.example>'), address!)).toBeNull();
  const rows = await db.rows<{ name: string; source: string; tags: number }>(
    `select d.name, i.source, (select count(*)::int from contact_tags t where t.contact_id = i.contact_id) as tags from inquiries i join doors d on d.id = i.door_id where i.raw->>'mail' like '%Calder 4%' or i.raw->>'mail' like '%Calder 1%' order by i.id`,
  );
  expect(rows.map(({ name }) => name)).toEqual(['Portal mails', 'Coastal Finder']);
  expect(rows[1]).toMatchObject({ source: 'Coastal Finder', tags: 1 });
  expect(await db.first('select d.name from extraction_rules l join doors d on d.id = l.door_id')).toEqual({
    name: 'Coastal Finder',
  });
});

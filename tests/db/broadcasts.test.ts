/** Broadcasts: whom they reach and leave out, one message each, at their time and throttle, paused and taken back; what comes back of them. */
import { appForEach } from '../harness/each';
import type { BroadcastSelection, Words } from '../../src/core/messages';
import { DEFAULT_SETTINGS } from '../../src/core/accounts';
import { mayTouch, UNKNOWN_PERMISSION } from '../../src/core/campaigns';
import { standingSql } from '../../src/server/broadcasts/audience';

const app = appForEach();
const ada = () => app().as('Ada');
const broadcasts = () => app().m.broadcasts;
const WORDS: Words = { subject: 'For you', text: 'Hello {{ first_name }} in {{ city }}.', plain: 'Hello.' };

async function people(n: number, more: (at: number) => object = () => ({})): Promise<string[]> {
  const ids: string[] = [];
  for (let at = 1; at <= n; at += 1)
    ids.push(
      (
        await app().arrives({
          first_name: `P${at}`,
          emails: [`p${at}@people.example`],
          phones: [`(564) 555-0${100 + at}`],
          roles: ['seller'],
          permissions: { email: true, text: true },
          ...more(at),
        })
      ).contact.id,
    );
  return ids;
}
const draft = (selection: BroadcastSelection, more: object = {}) =>
  broadcasts().createBroadcast(ada(), { name: 'News', channel: 'email', words: WORDS, selection, ...more });
const sent = (channel = 'email') =>
  app()
    .received(channel)
    .filter(({ key }) => key.startsWith('b'));
const viewOf = (id: string) => broadcasts().findBroadcast(app().scope, id);

test('segments together: each person once, left out with reasons counted before, one message per person and addresses unseen by others', async () => {
  const ids = await people(9, (n) =>
    n === 6 ? { permissions: { email: false } } : n === 7 ? { emails: [] } : n === 9 ? { place: undefined } : {},
  );
  const { m, db } = app();
  await db.run('update contacts set do_not_contact = true where id = $1', [ids[4]]);
  await m.contacts.updateContact(ada(), ids[7]!, { stage: 'archived', archived_because: 'moved' });
  await m.contacts.setPermission(ada(), ids[5]!, 'email', 'withdrawn', '');
  const sellers = await m.segments.createSegment(ada(), {
    name: 'Sellers',
    tree: { on: 'role', how: 'any', of: ['seller'] },
    team: true,
  });
  const named = await m.segments.createSegment(ada(), { name: 'All', tree: { all: [] }, team: true });
  const selection = { segments: [sellers.id, named.id], ids: [ids[7]!, ids[0]!] };
  const reach = await broadcasts().previewReach(ada(), { channel: 'email', selection });
  expect(reach).toMatchObject({
    people: 9,
    receive: 5,
    left_out: { do_not_contact: 1, withdrawn: 1, no_address: 1, archived: 1 },
  });
  const { id } = await draft(selection);
  await broadcasts().startBroadcast(ada(), id);
  await broadcasts().startBroadcast(ada(), id);
  await app().settle();
  const mails = sent();
  expect(mails.map(({ to }) => to).sort()).toEqual(['p1', 'p2', 'p3', 'p4', 'p9'].map((name) => `${name}@people.example`));
  expect(mails.find(({ to }) => to.startsWith('p1@'))!.body).toContain('Hello P1 in Saltmarsh.');
  expect(mails.find(({ to }) => to.startsWith('p9@'))!.body).toMatch(/^Hello\./);
  expect(await viewOf(id)).toMatchObject({ state: 'done', people: 5, left_out: reach.left_out, counts: { sent: 5, waiting: 0 } });
  expect((await app().story(ids[0]!)).some((line) => line.includes('Broadcast “News”'))).toBe(true);
  expect(await app().verified()).toEqual([]);
});

test('whom SQL leaves out is whom the guardrails would hold', async () => {
  const { db, m } = app();
  const { ids } = await (await import('../harness/people')).draw(app(), 60, await m.shared.now());
  await app().completePeople();
  await db.run(`update contacts set stage = 'talking' where stage = 'archived'`);
  await db.run(
    `insert into contact_points (account_id, contact_id, kind, value, error) select 1, id, k.kind, case k.kind when 'email' then 'x' || id || '@draw.example' else '+15645550' || lpad(id::text, 3, '0') end, case when id % 11 = 0 then 'gone' end from contacts, (values ('email'), ('phone')) k(kind) where id % 5 > 0 on conflict do nothing`,
  );
  for (const channel of ['email', 'text'] as const) {
    await db.run(
      `insert into permissions (account_id, channel, address, state, how, at) select 1, $1, value, case when contact_id % 3 = 0 then 'withdrawn' else 'granted' end, 'drawn', now() from contact_points where kind = case $1 when 'email' then 'email' else 'phone' end and contact_id % 4 > 0 on conflict do nothing`,
      [channel],
    );
    const rows = await db.rows<{ id: string; why: string | null; address: string | null }>(
      standingSql('select unnest($1::bigint[]) as id', channel),
      [ids],
    );
    expect(rows).toHaveLength(ids.length);
    const seen = new Set<string>();
    for (const row of rows) {
      const contact = await app().contact(row.id);
      const known = contact.permission_details.find((one) => one.channel === channel && one.address === row.address);
      const verdict = mayTouch(
        {
          channel,
          automatic: true,
          now: new Date('2026-11-23T20:00:00Z'),
          timeZone: 'America/Los_Angeles',
          stage: contact.stage.key,
          anyStage: true,
          doNotContact: contact.do_not_contact,
          address: row.address,
          addressError: row.address ? (contact.address_errors[row.address] ?? null) : null,
          permission:
            known?.state && known.state !== 'unknown' ? { state: known.state, at: null, how: null } : UNKNOWN_PERMISSION,
          wroteAt: null,
          onThePhone: false,
          touched: [],
        },
        DEFAULT_SETTINGS,
      );
      expect([row.id, channel, verdict.go === false ? verdict.because.why : null]).toEqual([row.id, channel, row.why]);
      seen.add(String(row.why));
    }
    expect([...seen].sort()).toEqual(
      expect.arrayContaining(['address_broken', 'do_not_contact', 'no_address', 'null', 'withdrawn']),
    );
  }
  /* They were written without a history. */
  await db.run('truncate contacts cascade');
});

test('the throttle lets so many go in a minute; paused nothing goes, resumed it goes on, cancelled the rest is taken back', async () => {
  const ids = await people(6);
  const { id } = await draft({ ids }, { per_minute: 2 });
  await broadcasts().startBroadcast(ada(), id);
  await app().settle();
  expect(sent()).toHaveLength(2);
  await app().advance('PT1M');
  expect(sent()).toHaveLength(4);
  expect(await broadcasts().pauseBroadcast(ada(), id)).toMatchObject({ state: 'paused', counts: { waiting: 2 } });
  await app().advance('PT2H');
  expect(sent()).toHaveLength(4);
  await broadcasts().resumeBroadcast(ada(), id);
  await app().settle();
  expect(sent()).toHaveLength(6);
  expect(await viewOf(id)).toMatchObject({ state: 'done' });
  const again = await broadcasts().copyBroadcast(ada(), id);
  await app().advance('P1D');
  await broadcasts().startBroadcast(ada(), again.id);
  await app().settle();
  expect(await broadcasts().cancelBroadcast(ada(), again.id)).toMatchObject({
    state: 'cancelled',
    counts: { sent: 2, cancelled: 4 },
  });
  await app().advance('PT1H');
  expect(sent()).toHaveLength(8);
  await expect(broadcasts().resumeBroadcast(ada(), again.id)).rejects.toMatchObject({ code: 'conflict' });
});

test('at a time it goes in the office’s zone, or at that time wherever each is; quiet hours and caps hold for it too', async () => {
  const ids = await people(2);
  await app().db.run(`update contacts set time_zone = 'America/New_York' where id = $1`, [ids[0]]);
  const at = { day: '2026-11-24', at: '09:00' };
  const local = await draft({ ids }, { goes: { on: 'local', ...at } });
  const office = await draft(
    { ids },
    {
      goes: { on: 'office', ...at },
      channel: 'text',
      words: { text: 'News of Tern. Reply STOP to opt out.', plain: 'x' },
    },
  );
  for (const { id } of [local, office]) await broadcasts().startBroadcast(ada(), id);
  await app().advance('P2D');
  const times = (channel: string) =>
    sent(channel)
      .map(({ to, at: when }) => `${to} ${when}`)
      .sort();
  expect(times('email')).toEqual(['p1@people.example 2026-11-24T14:00:00.000Z', 'p2@people.example 2026-11-24T17:00:00.000Z']);
  expect(times('text')).toEqual(['+15645550101 2026-11-24T17:00:00.000Z', '+15645550102 2026-11-24T17:00:00.000Z']);
  await app().db.run(`update accounts set settings = settings || '{"capDay": 1}'`);
  const capped = await draft({ ids });
  await broadcasts().startBroadcast(ada(), capped.id);
  await app().setClock(new Date('2026-11-26T06:00:00Z'));
  await app().settle();
  expect(sent()).toHaveLength(2);
  await app().advance('P1D');
  expect(sent()).toHaveLength(4);
});

test('words with errors do not start; a draft without people does not either; who was made later is not reached', async () => {
  const { id } = await draft({ ids: [] }, { words: { subject: '', text: 'x {{ nobody }}', plain: '' } });
  await expect(broadcasts().startBroadcast(ada(), id)).rejects.toMatchObject({
    code: 'input_invalid',
    facts: { fields: expect.arrayContaining([expect.objectContaining({ field: 'words.subject' })]) },
  });
  await broadcasts().updateBroadcast(ada(), id, { words: WORDS });
  await expect(broadcasts().startBroadcast(ada(), id)).rejects.toMatchObject({ code: 'input_invalid' });
  const [one] = await people(1);
  await broadcasts().updateBroadcast(ada(), id, { selection: { ids: [one!] } });
  await broadcasts().startBroadcast(ada(), id);
  await app().settle();
  expect(sent()).toHaveLength(1);
  await expect(broadcasts().updateBroadcast(ada(), id, { name: 'Late' })).rejects.toMatchObject({ code: 'conflict' });
  await expect(broadcasts().findBroadcast(app().scopeOf('Abel'), id)).rejects.toMatchObject({ code: 'not_found' });
});

test('opens, clicks, answers, returns and complaints are counted with their people; a wrong address gets nothing more', async () => {
  const ids = await people(6);
  const script = (n: number, how: object) => app().world.people.script(`p${n}@people.example`, how);
  script(1, { opens: 'PT20M', clicks: true });
  script(2, { answers: [{ to: 'email', after: 'PT30M', body: 'Yes, call me' }] });
  script(3, { mail: 'returns' });
  script(4, { mail: 'complains' });
  script(5, { answers: [{ to: 'email', after: 'PT3H', body: 'STOP' }] });
  script(6, { mail: 'bounces' });
  const doc = {
    type: 'doc' as const,
    content: [
      {
        type: 'paragraph',
        content: [
          { type: 'text', text: 'See', marks: [{ type: 'link' as const, attrs: { href: 'https://homes.example/a?b=1&c=2' } }] },
        ],
      },
    ],
  };
  const { id } = await draft({ ids }, { words: { subject: 'For you', text: 'See', plain: 'x', doc } });
  await broadcasts().startBroadcast(ada(), id);
  await app().advance('PT4H');
  const { counts } = await viewOf(id);
  expect(counts).toMatchObject({
    sent: 5,
    held: 0,
    opened: 1,
    clicked: 1,
    answered: 1,
    answered_first_hour: 1,
    bounced: 2,
    complained: 1,
  });
  expect(counts.opted_out).toBe(2);
  const { items } = await broadcasts().listBroadcastPeople(app().scope, id, { what: 'answered', limit: 10 });
  expect(items).toEqual([
    expect.objectContaining({ contact_id: ids[1], name: expect.stringContaining('P2'), words: 'Yes, call me' }),
  ]);
  expect(await app().story(ids[0]!)).toEqual(
    expect.arrayContaining([expect.stringContaining('opened email in'), 'clicked email in: https://homes.example/a?b=1&c=2']),
  );
  expect((await app().contact(ids[2]!)).address_errors).toEqual({ 'p3@people.example': expect.stringContaining('550') });
  expect((await app().contact(ids[3]!)).permissions.email).toBe('withdrawn');
  const again = await broadcasts().previewReach(ada(), { channel: 'email', selection: { ids } });
  expect(again).toMatchObject({ receive: 2, left_out: { withdrawn: 2, address_broken: 2 } });
  expect(await app().verified()).toEqual([]);
});

test('a mail that comes back for a while counts three times before the address is wrong; one that is opened in between begins anew', async () => {
  const [one] = await people(1);
  app().world.people.script('p1@people.example', { mail: 'delays' });
  const send = async () => {
    const { id } = await draft({ ids: [one!] });
    await broadcasts().startBroadcast(ada(), id);
    await app().advance('P2D');
  };
  await send();
  await send();
  app().world.people.script('p1@people.example', { opens: 'PT1M' });
  await send();
  app().world.people.script('p1@people.example', { mail: 'delays' });
  await send();
  await send();
  expect((await app().contact(one!)).address_errors).toEqual({});
  await send();
  expect((await app().contact(one!)).address_errors).toEqual({ 'p1@people.example': expect.stringContaining('3 times') });
});

test('letters go as pages and are tracked to the door; one for a household; printed here they are one file, with labels', async () => {
  const ids = await people(3, (n) => ({
    place: { street: `${n === 3 ? 2 : 1} Heron Lane`, city: 'Saltmarsh', postal_code: '98741' },
  }));
  const { db, m } = app();
  const { id: home } = (await db.first<{ id: string }>(
    'insert into households (account_id, made_at) values (1, now()) returning id',
  ))!;
  await db.run('update contacts set household_id = $2 where id = any($1::bigint[])', [[ids[0], ids[1]], home]);
  const words = { subject: 'By hand', text: 'Dear {{ first_names }}, a word.', plain: 'Hello, a word.' };
  const { id } = await draft({ ids }, { channel: 'letter', words });
  expect(await broadcasts().previewReach(ada(), { channel: 'letter', selection: { ids } })).toMatchObject({
    receive: 2,
    left_out: { same_household: 1 },
    letter_cents: 220,
  });
  await broadcasts().startBroadcast(ada(), id);
  await app().advance('P5D');
  expect(sent('letter').map(({ to, body, extra }) => [to, body, extra.is_pdf])).toEqual([
    ['1 Heron Lane, Saltmarsh 98741', 'Dear P1 and P2, a word.', true],
    ['2 Heron Lane, Saltmarsh 98741', 'Dear P3, a word.', true],
  ]);
  expect((await viewOf(id)).counts.delivered_letters).toBe(2);
  const here = await draft({ ids }, { channel: 'letter', words, goes: { on: 'now', printed: 'here' } });
  await expect(broadcasts().orderPrint(ada(), here.id, 'letters')).rejects.toMatchObject({ code: 'conflict' });
  await broadcasts().startBroadcast(ada(), here.id);
  await app().settle();
  expect(sent('letter')).toHaveLength(2);
  const { printBroadcast } = await import('../../src/worker/broadcasts/print');
  for (const what of ['letters', 'labels'] as const) {
    await broadcasts().orderPrint(ada(), here.id, what);
    await printBroadcast(here.id, what);
    const file = await broadcasts().readPrint(ada(), here.id, what);
    expect(file!.bytes.subarray(0, 5).toString()).toBe('%PDF-');
    expect(file!.bytes.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(what === 'letters' ? 2 : 1);
  }
  await db.run('update households set do_not_contact = true where id = $1', [home]);
  expect(await m.broadcasts.previewReach(ada(), { channel: 'letter', selection: { ids } })).toMatchObject({
    receive: 1,
    left_out: { household_says_no: 2 },
  });
});

test('files go along with an email, checked by what they are; a mail of blocks has both bodies and pictures from here', async () => {
  const [one] = await people(1);
  const { files } = app().m;
  const pdf = Buffer.from('%PDF-1.7 a paper');
  const saved = await files.saveFile(ada(), 'Prices/of the month.pdf', pdf);
  expect(saved).toMatchObject({ name: 'Prices-of the month.pdf', bytes: pdf.length });
  for (const [name, bytes] of [
    ['run.exe', Buffer.from('MZ\0\0')],
    ['archive.zip', Buffer.from('PK\x03\x04')],
    ['page.html', Buffer.from('<script>1</script>')],
    ['empty.pdf', Buffer.alloc(0)],
  ] as const)
    await expect(files.saveFile(ada(), name, bytes)).rejects.toMatchObject({ code: 'input_invalid' });
  await expect(files.saveFile(ada(), 'large.pdf', Buffer.concat([pdf, Buffer.alloc(10_000_000)]))).rejects.toMatchObject({
    code: 'body_too_large',
  });
  await expect(files.saveFile(app().as('Hollis'), 'x.pdf', pdf)).rejects.toMatchObject({ code: 'not_allowed' });
  const doc = {
    type: 'doc' as const,
    content: [{ type: 'heading', attrs: { level: 2 }, content: [{ type: 'text', text: 'For {{ first_name }}' }] }],
  };
  const words = { subject: 'With a paper', text: '', plain: 'x', doc, files: [saved] };
  await expect(draft({ ids: [one!] }, { words: { ...words, files: [{ ...saved, id: '999' }] } })).rejects.toMatchObject({
    code: 'input_invalid',
  });
  const { id } = await draft({ ids: [one!] }, { words: { ...words, text: 'For {{ first_name }}' } });
  const sentMails: { attachments?: { name: string; content: Buffer }[]; html?: string }[] = [];
  const { send } = app().outside.mail;
  app().outside.mail.send = (mail) => {
    sentMails.push(mail);
    return send(mail);
  };
  await broadcasts().startBroadcast(ada(), id);
  await app().settle();
  expect(sentMails[0]!.attachments!.map(({ name, content }) => [name, content.toString()])).toEqual([
    ['Prices-of the month.pdf', pdf.toString()],
  ]);
  expect(sentMails[0]!.html).toContain('>For P1</h2>');
  expect(sentMails[0]!.html).toMatch(/<img src="[^"]+\/o\/[^"]+" alt="" width="1"/);
});

test('a broadcast set for a holiday is told of it before, and goes on the day that was set', async () => {
  const ada = app().as('Ada');
  const { broadcasts } = app().m;
  const id = (await app().arrives({ emails: ['p1@people.example'], roles: ['seller'], permissions: { email: true } })).contact.id;
  const goes = { on: 'local' as const, day: '2027-01-01', at: '09:00' };
  const asked = { channel: 'email' as const, selection: { ids: [id] }, goes };
  expect((await broadcasts.previewReach(ada, asked)).holiday).toEqual({ name: 'New Year’s Day', next: '2027-01-02' });
  const draft = await broadcasts.createBroadcast(ada, {
    ...asked,
    name: 'New year',
    words: { subject: 'Happy New Year', text: 'Happy New Year.', plain: 'Happy New Year.' },
  });
  await broadcasts.startBroadcast(ada, draft.id);
  await app().settle();
  await app().advance(new Date('2027-01-03T18:00:00Z'));
  const [sent] = await app().db.rows<{ at: string }>(
    `select to_char(sent_at at time zone 'America/Los_Angeles', 'YYYY-MM-DD HH24:MI') as at from outbox where broadcast_id = $1`,
    [draft.id],
  );
  expect(sent!.at).toBe('2027-01-01 09:00');
});

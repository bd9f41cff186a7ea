/** Public pages over a real database: made, changed, taken down; sign-ins delivered once; visitors who become known with what they did before. */
import { randomUUID } from 'node:crypto';
import type { PublicPage } from '../../src/core/pages';
import { appForEach } from '../harness/each';

const app = appForEach();
const ada = () => app().as('Ada');
const pages = () => app().m.pages;
const CSV = `ListingId,StandardStatus,UnparsedAddress,City,ListPrice,BedroomsTotal,ListAgentFullName
LC-1,Active,"1 Weir Lane, Oldmill Reach",Oldmill Reach,310000,3,Nobody
LC-2,Active,"2 Weir Lane, Oldmill Reach",Oldmill Reach,320000,3,Nobody
LC-3,Active,"3 Weir Lane, Oldmill Reach",Oldmill Reach,330000,3,Nobody
LC-4,Active,"4 Weir Lane, Oldmill Reach",Oldmill Reach,990000,3,Nobody`;
const listings = () => app().m.market.importListings(ada(), new Response(CSV).body, { whole: false });

/** A token that was given out a while ago. */
async function openedToken(slug: string, ms = 60_000): Promise<string> {
  const { now } = app().m.shared;
  return pages().pageToken({ slug, at: new Date((await now()).getTime() - ms) });
}
const send = async (slug: string, sent: object, more: object = {}) =>
  pages().receiveVisitor(
    await pages().openPage(slug),
    { token: await openedToken(slug), ...sent },
    { address: '203.0.113.9', visitor: null, ...more },
  );
const counts = () =>
  app().db.first<object>(
    `select (select count(*)::int from contacts) as contacts, (select count(*)::int from inquiries) as inquiries, (select count(*)::int from activities where kind = 'visit') as visits`,
  );

test('a page is made at a free address, changed as a whole, refused with what is wrong, and taken down', async () => {
  const first = await pages().createPage(ada(), { kind: 'form', name: 'Ask us' });
  const second = await pages().createPage(ada(), { kind: 'form', name: 'Ask us' });
  expect([first.slug, second.slug]).toEqual(['ask-us', 'ask-us-2']);
  const page: PublicPage = { ...first.page, blocks: first.page.blocks.filter(({ kind }) => kind !== 'form') };
  await expect(pages().updatePage(ada(), first.id, { page })).rejects.toMatchObject({
    code: 'input_invalid',
    facts: { fields: [{ message: 'The page needs a form.' }] },
  });
  await expect(pages().updatePage(ada(), first.id, { slug: 'ask-us-2' })).rejects.toMatchObject({ code: 'conflict' });
  await expect(pages().updatePage(ada(), first.id, { slug: 'Ask Us' })).rejects.toMatchObject({ code: 'input_invalid' });
  const strange: PublicPage = { ...first.page, host_id: '999' };
  await expect(pages().updatePage(ada(), first.id, { page: strange })).rejects.toMatchObject({ code: 'input_invalid' });
  const changed = await pages().updatePage(ada(), first.id, { name: 'Ask an agent', slug: 'ask', tags: ['Web'] });
  expect(changed).toMatchObject({ name: 'Ask an agent', slug: 'ask', tags: ['Web'] });
  expect((await pages().openPage('ask')).door.defaults).toEqual({ tags: ['Web'] });
  await pages().deletePage(ada(), first.id);
  await expect(pages().openPage('ask')).rejects.toMatchObject({ code: 'not_found' });
});

test('a sign-in that a tablet kept is taken once however often it comes, also at the same moment, with its own time and words', async () => {
  await listings();
  const made = await pages().createPage(ada(), { kind: 'sign_in', name: 'Open house' });
  const host = app().users.Brisa!;
  await pages().updatePage(ada(), made.id, { page: { ...made.page, listing: 'LC-1', host_id: host.id } });
  const at = new Date((await app().m.shared.now()).getTime() - 50 * 60_000);
  const saved = { key: randomUUID(), at };
  const one = { first_name: 'Odo', phone: '206 555 0136', text_ok: 'on', has_agent: 'yes', agent_name: 'Ute Brandis' };
  const [a, b] = await Promise.all([send('open-house', one, { signIn: saved }), send('open-house', one, { signIn: saved })]);
  expect(a).toEqual(b);
  await send('open-house', one, { signIn: saved });
  expect(await counts()).toEqual({ contacts: 1, inquiries: 1, visits: 1 });
  const row = await app().db.first<{ owner_id: string; raw: { permissions: { shown: object } }; parsed: { listing: object } }>(
    'select owner_id, raw, parsed from inquiries',
  );
  expect(row!.owner_id).toBe(host.id);
  expect(row!.raw.permissions.shown).toEqual({ text: made.page.permissions.text });
  const evidence = await app().db.first<{ evidence: string }>(`select evidence from permission_changes where channel = 'text'`);
  expect(evidence!.evidence).toContain('with automated technology');
  const visit = await app().db.first<{ at: Date; data: { text: string } }>(
    `select at, data from activities where kind = 'visit'`,
  );
  expect(visit).toMatchObject({ at, data: { text: 'Came to the open house at 1 Weir Lane, Oldmill Reach' } });
  expect((await app().m.contacts.verify()).differences).toEqual([]);
});

test('what a program filled in is thanked for and not kept; what came at once or far too late is asked for once more', async () => {
  await pages().createPage(ada(), { kind: 'form', name: 'Ask' });
  const sent = { first_name: 'Odo', phone: '206 555 0137' };
  expect(await send('ask', { ...sent, website: 'http://spam.example' })).toBeNull();
  await expect(send('ask', { ...sent, token: await openedToken('ask', 200) })).rejects.toMatchObject({ code: 'conflict' });
  await expect(send('ask', { ...sent, token: await openedToken('ask', 25 * 3_600_000) })).rejects.toMatchObject({
    code: 'conflict',
  });
  await expect(send('ask', { ...sent, token: await openedToken('another') })).rejects.toMatchObject({ code: 'conflict' });
  await expect(send('ask', { ...sent, token: `ask|${Date.now() - 60_000}.forged` })).rejects.toMatchObject({ code: 'conflict' });
  expect(await counts()).toMatchObject({ contacts: 0, inquiries: 0 });
  expect(await send('ask', sent)).not.toBeNull();
});

test('a form posted a thousand times a minute from one address: sixty are read, one contact, nothing else is harmed', async () => {
  await pages().createPage(ada(), { kind: 'form', name: 'Ask' });
  const outcomes: Record<string, number> = {};
  for (let n = 0; n < 1_000; n += 50)
    await Promise.all(
      Array.from({ length: 50 }, () =>
        send('ask', { first_name: 'Odo', phone: '206 555 0138' }).then(
          () => (outcomes.taken = (outcomes.taken ?? 0) + 1),
          (error: { code: string }) => (outcomes[error.code] = (outcomes[error.code] ?? 0) + 1),
        ),
      ),
    );
  expect(outcomes).toEqual({ taken: 60, too_many: 940 });
  expect(await counts()).toMatchObject({ contacts: 1, inquiries: 60 });
  expect(await send('ask', { first_name: 'Wren', phone: '206 555 0139' }, { address: '203.0.113.10' })).not.toBeNull();
  expect((await app().m.contacts.verify()).differences).toEqual([]);
});

test('what somebody did before they said who they are becomes theirs, with its times, once; afterwards it stands there at once', async () => {
  await listings();
  const made = await pages().createPage(ada(), { kind: 'search', name: 'Homes' });
  await pages().updatePage(ada(), made.id, { page: { ...made.page, criteria: { price_max: 500_000 }, gate_after: 2 } });
  const shown = await pages().openPage('homes');
  expect((await pages().homesOf(shown, {}, 0)).total).toBe(3);
  expect((await pages().homesOf(shown, { price_min: 325_000 }, 0)).items.map(({ number }) => number)).toEqual(['LC-3']);
  expect(await pages().homeOf(shown, 'LC-3')).toMatchObject({ number: 'LC-3' });
  await app().db.run(`update listings set status = 'withdrawn' where number = 'LC-3'`);
  await expect(pages().homeOf(shown, 'LC-3')).rejects.toMatchObject({ code: 'not_found' });
  await app().db.run(`update listings set status = 'active' where number = 'LC-3'`);
  const { token, visitor } = await pages().newVisitor('1');
  const step = (kind: 'visit' | 'viewed_home' | 'saved_home', number?: string) =>
    pages().noteStep({
      accountId: '1',
      visitorId: visitor.id,
      doorId: shown.door.id,
      kind,
      listing: number ? { number, address: `${number} Weir Lane` } : null,
      text: number ?? 'Homes',
    });
  await step('visit');
  await step('visit');
  await step('viewed_home', 'LC-1');
  await app().advance('PT10M');
  await step('viewed_home', 'LC-2');
  await step('saved_home', 'LC-2');
  await step('saved_home', 'LC-2');
  const back = await pages().findVisitor('1', token);
  expect(back).toMatchObject({ contactId: null, viewed: 2, saved: ['LC-2'] });
  await app().advance('PT1H');
  const known = await send('homes', { first_name: 'Isaura', email: 'isaura@fen.example' }, { visitor: back, number: 'LC-3' });
  await Promise.all([1, 2, 3].map(() => pages().knowVisitor('1', visitor.id, known!.contactId)));
  await step('viewed_home', 'LC-3');
  const story = await app().db.rows<{ kind: string; text: string; at: Date }>(
    `select kind, data->>'text' as text, at from activities where contact_id = $1 and kind in ('visit','viewed_home','saved_home') order by at, id`,
    [known!.contactId],
  );
  expect(story.map(({ kind, text }) => `${kind} ${text}`)).toEqual([
    'visit Homes',
    'viewed_home LC-1',
    'viewed_home LC-2',
    'saved_home LC-2',
    'viewed_home LC-3',
  ]);
  expect(story[2]!.at.getTime() - story[1]!.at.getTime()).toBeGreaterThanOrEqual(600_000);
  expect((await pages().findVisitor('1', token))!.contactId).toBe(known!.contactId);
  const inquiry = await app().db.first<{ wants: object }>(`select wants from contacts where id = $1`, [known!.contactId]);
  expect(inquiry!.wants).toMatchObject({ price_max: 500_000 });
  expect((await app().m.contacts.verify()).differences).toEqual([]);
});

test('of somebody who never comes back nothing is kept; who does has their first step, once', async () => {
  const door = await app().m.capture.doorOfKind('1', 'page');
  const step = {
    accountId: '1',
    doorId: door.id,
    kind: 'viewed_home' as const,
    listing: { number: 'LC-1', address: '1 Weir Lane' },
    text: '1 Weir Lane',
  };
  const { token, visitor } = await pages().firstVisit(step);
  await pages().noteStep({ ...step, visitorId: visitor.id });
  const saved = () =>
    app().db.first<{ visitors: number; steps: number }>(
      'select (select count(*)::int from visitors) as visitors, (select count(*)::int from visitor_steps) as steps',
    );
  expect(await saved()).toEqual({ visitors: 0, steps: 0 });
  expect(await pages().findVisitor('1', `${token}x`)).toBeNull();
  expect(await pages().findVisitor('2', token)).toBeNull();
  const found = await Promise.all([1, 2, 3].map(() => pages().findVisitor('1', token)));
  expect(found.map((one) => one?.viewed)).toEqual([1, 1, 1]);
  expect(await saved()).toEqual({ visitors: 1, steps: 1 });
});

test('a visitor who never said who they are is forgotten after three months; one who is known is not', async () => {
  const first = await pages().newVisitor('1');
  const second = await pages().newVisitor('1');
  const contact = await app().arrives({ emails: ['known@visitors.example'] });
  await pages().knowVisitor('1', second.visitor.id, contact.contact.id);
  await app().db.run(`update visitors set last_at = last_at - interval '91 days'`);
  await pages().sweepVisitors();
  expect(await pages().findVisitor('1', first.token)).toBeNull();
  expect(await pages().findVisitor('1', second.token)).not.toBeNull();
});

test('a picture is what its first bytes say', async () => {
  const png = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
  const { id } = await app().m.files.savePicture(ada(), png);
  expect(await app().m.files.readPicture(id)).toEqual({ type: 'image/png', bytes: png });
  await expect(app().m.files.savePicture(ada(), Buffer.from('<svg onload="x">'))).rejects.toMatchObject({
    code: 'input_invalid',
  });
});

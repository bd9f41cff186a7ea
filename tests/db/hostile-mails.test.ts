/** Mails made to hurt: each is answered soon, kept, and the next is read as if nothing had been. */
import { join } from 'node:path';
import nodemailer from 'nodemailer';
import { appForEach } from '../harness/each';

const app = appForEach();
const READER = process.env.READER_FILE;
afterEach(() => {
  process.env.READER_FILE = READER;
});

/** Two seconds on a machine that is not busy with the other tests as well. */
const MOST_MS = 4_000;
/** @returns how the server answered, and after how many milliseconds */
async function send(raw: string, to: string): Promise<{ answer: string; ms: number }> {
  const post = nodemailer.createTransport({ host: '127.0.0.1', port: app().mailDoorPort, secure: false, ignoreTLS: true });
  const began = performance.now();
  try {
    const { response } = await post.sendMail({ envelope: { from: 'o@b.example', to }, raw });
    return { answer: response, ms: performance.now() - began };
  } catch (error) {
    return { answer: (error as { response?: string }).response ?? String(error), ms: performance.now() - began };
  } finally {
    post.close();
  }
}
const mailOf = (from: string, body: string, type = 'text/plain') =>
  `From: ${from}\r\nTo: leads@post.urraca.example\r\nSubject: A house\r\nMessage-ID: <${Math.abs(body.length * 31 + from.length)}@b.example>\r\nContent-Type: ${type}; charset=utf-8\r\n\r\n${body}\r\n`;
const mailbox = async () =>
  (await app().m.capture.createDoor(app().as('Ada'), { kind: 'mail', name: 'Portal mails', source: null })).address!;
const saved = () =>
  app().db.rows<{ state: string; from_address: string; raw: number | null; because: string }>(
    `select state, from_address, length(raw) as raw, read->>'because' as because from lead_mails order by id`,
  );

test('names that look like expressions, elements without end, megabytes of nothing: answered in two seconds and kept', async () => {
  const address = await mailbox();
  await app().m.shared.readyToRead();
  const mails = {
    expression: mailOf(
      '"A*a*a*a*a*a*a*a*b Holt" <o@b.example>',
      `I like it.\r\n\r\nthanks ${'a'.repeat(990)}\r\n${'a'.repeat(500)}`,
    ),
    parenthesis: mailOf('"Smith, (Jo" <o@c.example>', 'Is the house still for sale?'),
    nested: mailOf('<o@d.example>', '<div>'.repeat(5_000) + 'Call me', 'text/html'),
    newlines: mailOf('<o@e.example>', `Hello${'\r\n'.repeat(125_000)}there`),
    name: mailOf(`"${'Jo '.repeat(13_000)}" <o@f.example>`, 'Hello'),
    elements: mailOf('<o@g.example>', '<b>a</b>\r\n'.repeat(250_000), 'text/html'),
  };
  for (const [name, raw] of Object.entries(mails)) {
    const { answer, ms } = await send(raw, address);
    expect([name, answer.slice(0, 3), ms < MOST_MS]).toEqual([name, '250', true]);
  }
  expect(await saved()).toHaveLength(Object.keys(mails).length);
});

test('a mail that ends its reader is kept as it came, its sender told that it arrived, and the next is read', async () => {
  const address = await mailbox();
  await app().m.shared.stopReading();
  process.env.READER_FILE = join(__dirname, '../data/threads/endless.mjs');
  const endless = mailOf('Oda <o@b.example>', 'for ever');
  for (const [from, body] of [
    ['Oda <o@b.example>', 'for ever'],
    ['<p@b.example>', 'take all memory'],
    ['<q@b.example>', 'fail'],
  ]) {
    const { answer, ms } = await send(mailOf(from!, body!), address);
    expect([body, answer.slice(0, 3), ms < 4_000]).toEqual([body, '250', true]);
  }
  expect((await send(endless, address)).answer).toMatch(/^250/);
  expect(await saved()).toEqual([
    { state: 'waiting', from_address: 'o@b.example', raw: endless.length, because: expect.stringContaining('couldn’t read') },
    expect.objectContaining({ state: 'waiting', from_address: 'p@b.example' }),
    expect.objectContaining({ state: 'waiting', from_address: 'q@b.example' }),
  ]);
  await app().m.shared.stopReading();
  process.env.READER_FILE = READER;
  expect((await send(mailOf('Oda <r@b.example>', 'I would like to see 14 Heron Lane.'), address)).answer).toMatch(/^250/);
  expect((await saved()).at(-1)).toMatchObject({ state: 'taken', raw: null });
});

test('an answer that nobody could read is an answer all the same: it stands in Intake, with its writer, and their campaigns stop', async () => {
  const it = app();
  const { contact } = await it.arrives({
    first_name: 'Oda',
    last_name: 'Holt',
    emails: ['o@b.example'],
    permissions: { email: true },
  });
  const point = await it.db.first<{ id: string }>('select id from contact_points where contact_id = $1', [contact.id]);
  const reply = `reply+${it.m.messages.mailTokenFor(String(point!.id))}@post.urraca.example`;
  const mailStates = () =>
    it.db
      .rows<{ state: string }>('select state from enrollments where contact_id = $1', [contact.id])
      .then((rows) => rows.map(({ state }) => state));
  expect(await mailStates()).toEqual(['active']);
  await it.m.shared.stopReading();
  process.env.READER_FILE = join(__dirname, '../data/threads/endless.mjs');
  const raw = mailOf('o@b.example', 'fail');
  for (let time = 0; time < 2; time += 1) expect((await send(raw, reply)).answer).toMatch(/^250/);
  await it.m.shared.stopReading();
  process.env.READER_FILE = READER;
  expect(await saved()).toEqual([expect.objectContaining({ state: 'waiting', from_address: 'o@b.example' })]);
  const permission = await it.db.rows<{ text: string }>(
    `select data->>'text' as text from activities where contact_id = $1 and kind = 'message' and direction = 'in'`,
    [contact.id],
  );
  expect(permission).toEqual([{ text: expect.stringContaining('couldn’t read the email') }]);
  expect(await mailStates()).toEqual(['stopped']);
});

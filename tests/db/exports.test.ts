/** Files that go out: in each format, only whom one sees, and brought in again they change nothing. */
import { appForEach } from '../harness/each';

const app = appForEach();

async function write(
  format: 'csv' | 'xlsx' | 'vcf' | 'labels' | 'cards',
  who = 'Ada',
  selection: object = { question: {} },
): Promise<Buffer> {
  const { exports, exporting } = app().m;
  const { id } = await exports.createExport(app().as(who), format, selection);
  await exporting.performExport(id);
  const { body } = await exports.exportFile(app().as(who), id);
  return Buffer.from(await new Response(body).arrayBuffer());
}
const crowd = async () => {
  for (let n = 0; n < 6; n += 1)
    await app().arrives({
      first_name: `=Oda${n}`,
      last_name: 'Brandvold',
      emails: [`oda${n}@x.example`],
      phones: [`564555${1000 + n}`],
      roles: ['buyer'],
      tags: ['choir'],
      permissions: { call: true, email: n % 2 === 0 },
      place: { city: 'Saltmarsh', postal_code: '98741', street: `${n} Heron Lane` },
      wants: n % 2 ? { price_max: 450_000, bedrooms: 3, areas: ['Saltmarsh', 'Tarn Hollow'], words: 'A red door' } : {},
    });
};
const snapshot = () =>
  app().db.rows(
    'select c.id, c.first_name, c.stage, c.horizon, c.roles, c.wants, c.street, c.city, c.owner_id, (select count(*)::int from activities where contact_id = c.id) as lines from contacts c where deleted_at is null order by c.id',
  );

test.each(['csv', 'xlsx', 'vcf'] as const)('%s, brought in again, changes nothing', async (format) => {
  await crowd();
  const before = await snapshot();
  const bytes = await write(format);
  const { imports, importing } = app().m;
  const made = await imports.createImport(app().as('Ada'), `again.${format}`, new Response(new Uint8Array(bytes)).body);
  await importing.scanImport(made.id);
  await imports.startImport(app().as('Ada'), made.id);
  await importing.performImport(made.id);
  expect(await imports.findImport(app().as('Ada'), made.id)).toMatchObject({
    state: 'done',
    total: 6,
    made: 0,
    changed: 0,
    same: 6,
    left_out: 0,
  });
  expect(await snapshot()).toEqual(before);
});

test('what people look for goes out with them and comes in where nobody is yet; taking the import back takes it away again', async () => {
  await crowd();
  const bytes = await write('csv');
  const { imports, importing } = app().m;
  await app().db.run(`update contacts set wants = '{"bedrooms": 5}'`);
  const made = await imports.createImport(app().as('Ada'), 'wants.csv', new Response(new Uint8Array(bytes)).body);
  await importing.scanImport(made.id);
  await imports.startImport(app().as('Ada'), made.id);
  await importing.performImport(made.id);
  const wants = () => app().db.rows<{ wants: object }>('select wants from contacts order by id limit 2');
  expect((await wants()).map((row) => row.wants)).toEqual([
    { bedrooms: 5 },
    { bedrooms: 5, price_max: 450_000, areas: ['Saltmarsh', 'Tarn Hollow'], words: 'A red door' },
  ]);
  await imports.undoImport(app().as('Ada'), made.id);
  await importing.performImportUndo(made.id);
  expect((await wants()).map((row) => row.wants)).toEqual([{ bedrooms: 5 }, { bedrooms: 5 }]);
});

test('a cell that a spreadsheet would run is text', async () => {
  await crowd();
  const text = (await write('csv')).toString('utf8');
  expect(text).toContain("'=Oda0");
  expect(text).not.toMatch(/^=|,=/m);
});

test('an agent’s file holds their own people only, and nobody else fetches it', async () => {
  await crowd();
  const text = (await write('csv', 'Abel')).toString('utf8').trim().split('\r\n');
  expect(text).toHaveLength(3);
  const { id } = (await app().m.exports.listExports(app().as('Abel'), 5))[0]!;
  await expect(app().m.exports.findExport(app().as('Brisa'), id)).rejects.toMatchObject({ code: 'not_found' });
  expect(await app().db.rows(`select what from audit where what = 'contacts.export'`)).toHaveLength(1);
});

test.each(['labels', 'cards'] as const)('%s are a PDF with a place for everybody who can be reached by it', async (format) => {
  await crowd();
  const pdf = await write(format);
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  expect((pdf.toString('latin1').match(/\/Type \/Page\b/g) ?? []).length).toBe(1);
});

const SCHEDULE = {
  name: 'For the printer',
  format: 'csv',
  options: {},
  question: { where: JSON.stringify({ all: [{ on: 'tag', how: 'known' }] }) },
  every: 'day',
  day: 1,
  at: '07:00',
  email: true,
} as const;

test('an export comes back at its time, once, and its file is sent to whoever asked; what it sees is what they see', async () => {
  await crowd();
  const { exports, exporting, exportMail, pulse } = app().m;
  const abel = app().as('Abel');
  const made = await exports.createSchedule(abel, SCHEDULE);
  expect(made).toMatchObject({ name: 'For the printer', by: 'Abel Test', last: null, next_at: new Date('2026-11-24T15:00:00Z') });
  await app().settle();
  expect(await exports.listExports(abel, 5)).toHaveLength(0);
  await app().setClock(new Date('2026-11-24T15:00:01Z'));
  await Promise.all([exports.orderDueExports(), exports.orderDueExports(), pulse.carryOutAll('test', app().outside)]);
  const [file, ...rest] = await exports.listExports(abel, 5);
  expect(rest).toEqual([]);
  await exporting.performExport(file!.id);
  await exportMail.mailExport(file!.id, app().outside);
  await exportMail.mailExport(file!.id, app().outside);
  const sent = app()
    .received('email')
    .filter(({ to }) => to === 'abel@house.example');
  expect(sent).toHaveLength(1);
  expect(sent[0]!.subject).toBe('For the printer: 2 people');
  expect((await exports.findExport(abel, file!.id)).mailed_at).not.toBeNull();
  expect((await exports.listSchedules(abel))[0]).toMatchObject({
    next_at: new Date('2026-11-25T15:00:00Z'),
    last: { state: 'done', done: 2 },
  });
  expect(await exports.listSchedules(app().as('Brisa'))).toEqual([]);
  await expect(exports.deleteSchedule(app().as('Brisa'), made.id)).rejects.toMatchObject({ code: 'not_found' });
  await exports.deleteSchedule(abel, made.id);
  await app().setClock(new Date('2026-11-26T15:00:01Z'));
  expect(await exports.orderDueExports()).toBe(0);
  expect(await exports.listExports(abel, 5)).toHaveLength(1);
});

test('a mail server that is away is said with the file, and the file is sent when it is back', async () => {
  await crowd();
  const { exports, exporting, exportMail } = app().m;
  const { id } = await exports.createExport(app().as('Ada'), 'csv', { question: {} }, {}, true);
  await exporting.performExport(id);
  const away = {
    ...app().outside,
    mail: {
      close: () => {},
      sendBy: () => Promise.reject(new Error('not asked for')),
      send: async () => ({ result: 'later' as const, error: 'away' }),
    },
  };
  await expect(exportMail.mailExport(id, away)).rejects.toThrow('away');
  expect(await exports.findExport(app().as('Ada'), id)).toMatchObject({ mailed_at: null, mail_error: 'away' });
  await exportMail.mailExport(id, app().outside);
  expect(await exports.findExport(app().as('Ada'), id)).toMatchObject({ mailed_at: expect.any(Date), mail_error: null });
});

test('a schedule of somebody who left orders nothing and says so; one about a segment (deleted) fails with a reason', async () => {
  await crowd();
  const { exports, exporting, segments } = app().m;
  const saved = await segments.createSegment(app().as('Ada'), {
    name: 'Choir',
    tree: { all: [{ on: 'tag', how: 'known' }] },
    team: true,
  });
  await exports.createSchedule(app().as('Abel'), { ...SCHEDULE, question: { segment: saved.id } });
  await exports.createSchedule(app().as('Brisa'), SCHEDULE);
  await segments.deleteSegment(app().as('Ada'), saved.id);
  await app().db.run('update users set active = false where id = $1', [app().users.Brisa!.id]);
  await app().setClock(new Date('2026-11-24T15:00:01Z'));
  expect(await exports.orderDueExports()).toBe(1);
  const [file] = await exports.listExports(app().as('Ada'), 5);
  await expect(exporting.performExport(file!.id)).rejects.toMatchObject({ code: 'not_found' });
  expect((await exports.listSchedules(app().as('Ada'))).map(({ by, error }) => [by, error])).toEqual([
    ['Abel Test', null],
    ['Brisa Test', 'The person who requested it is no longer here.'],
  ]);
});

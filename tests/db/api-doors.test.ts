/** Doors for programs: bodies of any shape, tried out without a trace, the last requests with their answers, keys changed without a gap. */
import { appForEach } from '../harness/each';
import { inquiryOfBody } from '../../src/core/mail';
import { readInquiry } from '../../src/core/capture/schemas';

const app = appForEach();
const BODY = { Vorname: 'Odo', Nachname: 'Fenwick', Telefon: '206-555-0131' };

const arrival = async (body: object, key: string | null = null) => {
  const door = await app().m.capture.doorOfKind('1', 'api');
  return { door, raw: body, inquiry: readInquiry(inquiryOfBody(body, {}, door)), idempotencyKey: key, byPerson: null };
};
const everything = () =>
  app().db.first<object>(
    `select (select count(*)::int from contacts) as contacts, (select count(*)::int from inquiries) as inquiries, (select count(*)::int from activities) as activities,
       (select count(*)::int from outbox) as outbox, (select count(*)::int from permissions) as permissions, (select array_agg(last_user_id order by id) from rosters) as turns`,
  );

test('what is tried out is answered as in truth and leaves nothing, and the same afterwards in truth is not taken for a repeat', async () => {
  const before = await everything();
  const tried = await app().m.capture.tryInquiry(await arrival(BODY, 'one'));
  expect(tried).toMatchObject({
    sandbox: true,
    contact: { id: null, status: 'created' },
    routing: { because: expect.any(String) },
    read: { first_name: 'Odo', last_name: 'Fenwick', phones: ['+12065550131'] },
  });
  expect(await everything()).toEqual(before);
  const result = await app().m.capture.captureInquiry(await arrival(BODY, 'one'));
  expect(result.contact.status).toBe('created');
  expect(result.routing).toEqual(tried.routing);
  const again = await app().m.capture.tryInquiry(await arrival(BODY));
  expect(again.contact).toMatchObject({ id: result.contact.id, status: 'matched' });
});

test('the last hundred requests of a door are kept, the latest first, whatever stands in them', async () => {
  const { m, scope } = app();
  const door = await m.capture.doorOfKind('1', 'api');
  for (let n = 1; n <= 130; n += 1) {
    const body = n === 130 ? `\u0000 {"odd": "\ud800"}` : `{"n": ${n}}`;
    m.capture.noteRequest({
      door,
      contentType: 'application/json',
      body,
      status: 201,
      answer: { n },
      sandbox: false,
      tookMs: 3.4,
    });
    if (n % 40 === 0) await m.capture.listRequests(scope, door.id);
  }
  const saved = await m.capture.listRequests(scope, door.id);
  expect(saved.map(({ answer }) => (answer as { n: number }).n)).toEqual(Array.from({ length: 100 }, (_, at) => 130 - at));
  expect(saved[0]).toMatchObject({ status: 201, took_ms: 3, sandbox: false });
  await expect(m.capture.listRequests(scope, '999')).rejects.toMatchObject({ code: 'not_found' });
});

test('a door shows how it would read a body with a mapping, with what would be wrong, and keeps nothing', async () => {
  const { m } = app();
  const ada = app().as('Ada');
  const door = await m.capture.createDoor(ada, { kind: 'api', name: 'Our website', source: 'Our website' });
  expect(door).toMatchObject({ kind: 'api', sandbox: false, mapping: {} });
  expect(door.address).toMatch(/\/in\/[a-z2-9]{12}$/);
  const body = { q1: 'Odo Fenwick', q2: 'nobody' };
  expect(await m.capture.readBody(ada, door.id, body, { name: { place: 'q1' }, email: { place: 'q2' } })).toMatchObject({
    places: [
      { place: 'q1', value: 'Odo Fenwick' },
      { place: 'q2', value: 'nobody' },
    ],
    inquiry: { person: { first_name: 'Odo', last_name: 'Fenwick' } },
    errors: [{ field: 'person.emails.0', message: 'nobody is not a valid email address' }],
  });
  const secret = door.address!.split('/').at(-1)!;
  expect((await m.capture.doorOfSecret(secret)).id).toBe(door.id);
  expect(await m.capture.doorOfAddress(secret)).toBeNull();
  const changed = await m.capture.rotateDoor(ada, door.id);
  await expect(m.capture.doorOfSecret(secret)).rejects.toMatchObject({ code: 'not_found' });
  expect((await m.capture.doorOfSecret(changed.address!.split('/').at(-1)!)).id).toBe(door.id);
});

test('a key is changed for a new one: both work, then only the new one; a door’s key can only send leads', async () => {
  const { m, db, users } = app();
  const ada = users.Ada!;
  const door = await m.capture.createDoor(app().as('Ada'), { kind: 'api', name: 'Our website' });
  const first = await m.accounts.createKey(ada, 'Website', ['inquiries:write'], door.id);
  expect(first.door).toEqual({ id: door.id, name: 'Our website' });
  await expect(m.accounts.createKey(ada, 'Too much', ['inquiries:write', 'contacts:read'], door.id)).rejects.toMatchObject({
    code: 'input_invalid',
  });
  const second = await m.accounts.rotateKey(ada, first.id, 24);
  expect(await m.accounts.principalOfKey(first.key)).toMatchObject({ doorId: door.id });
  expect(await m.accounts.principalOfKey(second.key)).toMatchObject({ doorId: door.id, scopes: ['inquiries:write'] });
  const listed = await m.accounts.listKeys('1');
  expect(listed.find(({ id }) => id === first.id)?.ends_at).not.toBeNull();
  await db.run(`update api_keys set ends_at = clock_timestamp() - interval '1 second' where id = $1`, [first.id]);
  await m.accounts.rotateKey(ada, second.id, 0);
  await expect(m.accounts.principalOfKey(first.key)).rejects.toMatchObject({ code: 'key_invalid' });
  await expect(m.accounts.principalOfKey(second.key)).rejects.toMatchObject({ code: 'key_invalid' });
});

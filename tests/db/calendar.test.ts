/** The calendar address: secret, shown once, one's own people only, dead when it is revoked or the person has left. */
import { appForEach } from '../harness/each';

const app = appForEach();
const tokenOf = (url: string): string => url.split('/').at(-2)!;

test('it shows one’s own people’s days, and nobody else’s; a new address ends the old one', async () => {
  const { calendar, contacts } = app().m;
  const { contact } = await app().arrives(
    { first_name: 'Oda', last_name: 'Brandvold', emails: ['oda@x.example'] },
    { by: 'Abel' },
  );
  await contacts.updateContact(app().as('Abel'), contact.id, { dates: [{ kind: 'birthday', label: '', on: '--02-29' }] });
  const mine = await calendar.createFeed(app().users.Abel!);
  const theirs = await calendar.createFeed(app().users.Brisa!);
  expect(await calendar.calendarAt(tokenOf(mine.url))).toContain('SUMMARY:Oda Brandvold: birthday');
  expect(await calendar.calendarAt(tokenOf(theirs.url))).not.toContain('Oda');
  const own = await app().db.rows<{ id: string }>(
    `insert into fields (account_id, name, kind, position, made_at) values (1, 'Lease ends', 'date', 1, now()), (1, 'Name day', 'yearly', 2, now()) returning id`,
  );
  await contacts.updateContact(app().as('Abel'), contact.id, { fields: { [own[0]!.id]: '2027-03-01', [own[1]!.id]: '11-03' } });
  const withOwn = await calendar.calendarAt(tokenOf(mine.url));
  expect(withOwn).toContain('DTSTART;VALUE=DATE:20270301\r\nTRANSP:TRANSPARENT\r\nSUMMARY:Oda Brandvold: Lease ends');
  expect(withOwn).toContain('SUMMARY:Oda Brandvold: Name day');
  expect((await calendar.readFeed(app().users.Abel!))!.read_at).not.toBeNull();
  const next = await calendar.createFeed(app().users.Abel!);
  await expect(calendar.calendarAt(tokenOf(mine.url))).rejects.toMatchObject({ code: 'not_found' });
  await calendar.revokeFeed(app().users.Abel!);
  await expect(calendar.calendarAt(tokenOf(next.url))).rejects.toMatchObject({ code: 'not_found' });
  await app().db.run('update users set active = false where id = $1', [app().users.Brisa!.id]);
  await expect(calendar.calendarAt(tokenOf(theirs.url))).rejects.toMatchObject({ code: 'not_found' });
  expect(await app().db.rows('select 1 from feeds where token_hash = convert_to($1, $2)', [tokenOf(next.url), 'UTF8'])).toEqual(
    [],
  );
});

test('on its day a birthday stands in Today and on the Wire, until somebody writes', async () => {
  const { contacts, today, messages } = app().m;
  const { contact } = await app().arrives(
    { first_name: 'Oda', last_name: 'Brandvold', emails: ['oda@x.example'] },
    { by: 'Abel' },
  );
  await app().m.contacts.updateContact(app().as('Abel'), contact.id, {
    stage: 'sphere',
    dates: [{ kind: 'birthday', label: '', on: '1985-03-03' }],
  });
  await app().setClock(new Date('2026-03-03T18:00:00Z'));
  const abel = app().users.Abel!;
  const read = async () =>
    (await today.readToday(app().scopeOf('Abel'), abel)).groups.map(({ key, entries }) => [key, entries[0]!.reasons[0]!.text]);
  expect(await read()).toEqual([['their_day', 'Birthday today, turning 41']]);
  expect((await today.readWire(app().scopeOf('Abel'), abel)).today).toBe(1);
  await messages.sendMessage(app().as('Abel'), contact.id, {
    channel: 'email',
    subject: 'Happy birthday',
    text: 'All the best',
  });
  await app().settle();
  expect(await read()).toEqual([]);
  expect((await contacts.findContact(app().scope, contact.id)).dates).toHaveLength(1);
});

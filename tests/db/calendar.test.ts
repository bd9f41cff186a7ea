/** The calendar address: secret, shown once, one's own people only, dead when it is revoked or the person has left. */
import { houseForEach } from '../harness/each';

const house = houseForEach();
const tokenOf = (url: string): string => url.split('/').at(-2)!;

test('it shows one’s own people’s days, and nobody else’s; a new address ends the old one', async () => {
  const { calendar, contacts } = house().m;
  const { contact } = await house().arrives(
    { first_name: 'Oda', last_name: 'Brandvold', emails: ['oda@x.example'] },
    { by: 'Abel' },
  );
  await contacts.updateContact(house().as('Abel'), contact.id, { dates: [{ kind: 'birthday', label: '', on: '--02-29' }] });
  const mine = await calendar.createFeed(house().people.Abel!);
  const theirs = await calendar.createFeed(house().people.Brisa!);
  expect(await calendar.calendarAt(tokenOf(mine.url))).toContain('SUMMARY:Oda Brandvold: birthday');
  expect(await calendar.calendarAt(tokenOf(theirs.url))).not.toContain('Oda');
  expect((await calendar.readFeed(house().people.Abel!))!.read_at).not.toBeNull();
  const next = await calendar.createFeed(house().people.Abel!);
  await expect(calendar.calendarAt(tokenOf(mine.url))).rejects.toMatchObject({ code: 'not_found' });
  await calendar.revokeFeed(house().people.Abel!);
  await expect(calendar.calendarAt(tokenOf(next.url))).rejects.toMatchObject({ code: 'not_found' });
  await house().db.run('update users set active = false where id = $1', [house().people.Brisa!.id]);
  await expect(calendar.calendarAt(tokenOf(theirs.url))).rejects.toMatchObject({ code: 'not_found' });
  expect(await house().db.rows('select 1 from feeds where token_hash = convert_to($1, $2)', [tokenOf(next.url), 'UTF8'])).toEqual(
    [],
  );
});

test('on its day a birthday stands in Today and on the Wire, until somebody writes', async () => {
  const { contacts, today, messages } = house().m;
  const { contact } = await house().arrives(
    { first_name: 'Oda', last_name: 'Brandvold', emails: ['oda@x.example'] },
    { by: 'Abel' },
  );
  await house().m.contacts.updateContact(house().as('Abel'), contact.id, {
    stage: 'sphere',
    dates: [{ kind: 'birthday', label: '', on: '1985-03-03' }],
  });
  await house().setClock(new Date('2026-03-03T18:00:00Z'));
  const abel = house().people.Abel!;
  const read = async () =>
    (await today.readToday(house().scopeOf('Abel'), abel)).groups.map(({ key, entries }) => [key, entries[0]!.reasons[0]!.text]);
  expect(await read()).toEqual([['their_day', 'Birthday today, 41 years']]);
  expect((await today.readWire(house().scopeOf('Abel'), abel)).today).toBe(1);
  await messages.sendMessage(house().as('Abel'), contact.id, {
    channel: 'email',
    subject: 'Happy birthday',
    text: 'All the best',
  });
  await house().settle();
  expect(await read()).toEqual([]);
  expect((await contacts.findContact(house().scope, contact.id)).dates).toHaveLength(1);
});

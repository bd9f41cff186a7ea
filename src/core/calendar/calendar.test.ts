/** The calendar of important dates. */
import { calendarOf } from '.';

const NOW = new Date('2026-03-03T10:00:00Z');
const day = { contactId: '7', name: 'Oda, the elder', kind: 'birthday' as const, label: '', year: 1985, monthDay: 412 };
const text = (more: object) => calendarOf('Dates', [{ ...day, ...more }], NOW, (id) => `https://house.example/contacts/${id}`);

test('a day that returns every year, with its name and where the person opens', () => {
  expect(text({}).split('\r\n')).toEqual(
    expect.arrayContaining([
      'DTSTART;VALUE=DATE:19850412',
      'RRULE:FREQ=YEARLY',
      'SUMMARY:Oda\\, the elder: birthday (1985)',
      'URL:https://house.example/contacts/7',
      'UID:7-birthday-412@urraca',
    ]),
  );
});
test('29 February is the last day of February, in every year', () => {
  expect(text({ year: null, monthDay: 229 })).toContain(
    'DTSTART;VALUE=DATE:20240229\r\nRRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=-1',
  );
});
test('no line is longer than 75 bytes and each ends as the standard asks', () => {
  const lines = text({ name: 'Ö'.repeat(200) }).split('\r\n');
  for (const line of lines) expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
  expect(lines.at(-1)).toBe('');
  expect(text({})).not.toMatch(/[^\r]\n/);
});

test('a day of one of the account’s own fields has the name of the field, and comes back only where it is yearly', () => {
  const lease = { kind: 'other', label: 'Lease ends', year: 2027, monthDay: 301, fieldId: '4' };
  expect(text({ ...lease, once: true })).toContain('UID:7-field4-301@urraca');
  expect(text({ ...lease, once: true })).not.toContain('RRULE');
  expect(text({ ...lease, once: true })).toContain('SUMMARY:Oda\\, the elder: Lease ends\r\n');
  expect(text(lease)).toContain('RRULE:FREQ=YEARLY');
});

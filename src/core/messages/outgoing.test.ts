/** Words as they go by a channel: the sender where it is due, blocks and files where it can carry them. */
import { docOfText, fillFor, type Words } from '.';

const FIELDS = { first_name: 'Oda', agent_first_name: 'Runa', brokerage: 'Heron Realty' };
const WORDS: Words = {
  subject: 'For {{ first_name }}',
  text: 'Hello {{ first_name }}',
  plain: 'Hello',
  doc: docOfText('Hello {{ first_name }}'),
  files: [{ id: '7', name: 'a.pdf', bytes: 9 }],
};

test('only the first text says who writes and how to have no more', () => {
  const first = fillFor('text', WORDS, FIELDS, { textedBefore: false });
  expect(first.text).toBe('Hello Oda - Runa, Heron Realty. Reply STOP to opt out.');
  expect(fillFor('text', WORDS, FIELDS, { textedBefore: true }).text).toBe('Hello Oda');
  for (const channel of ['email', 'letter', 'call'] as const)
    expect(fillFor(channel, WORDS, FIELDS, { textedBefore: false }).text).toBe('Hello Oda');
});

test('only an email has blocks and files', () => {
  const mail = fillFor('email', WORDS, FIELDS, { textedBefore: true });
  expect(mail.html).toContain('Hello Oda');
  expect(mail.files).toEqual(['7']);
  for (const channel of ['text', 'letter', 'call'] as const)
    expect(fillFor(channel, WORDS, FIELDS, { textedBefore: true })).toMatchObject({ html: null, files: [] });
});

/** Reports of mails that came back, as RFC 3464 and RFC 5965 shape them, and what only looks like one. */
import { readReturned } from '.';
import type { Mail } from './mail';

const mailOf = (more: Partial<Mail>): Mail => ({
  messageId: null,
  from: { name: 'Mail Delivery', address: 'postmaster@brackwater.example' },
  replyTo: [],
  subject: 'Undelivered',
  headers: {},
  text: '',
  html: '',
  attached: [],
  mails: [],
  ...more,
});
const report = (text: string, type = 'message/delivery-status', more: Partial<Mail> = {}) =>
  readReturned(
    mailOf({ attached: [{ type, name: '', text }], mails: [mailOf({ messageId: '<K7-Touch@mail.urraca.test>' })], ...more }),
  );

test('a status of 5 is for good, with the key of our message, to whom, and why', () => {
  expect(
    report(
      'Reporting-MTA: dns; mx.brackwater.example\n\nFinal-Recipient: rfc822; Ines@Brackwater.example\nAction: failed\nStatus: 5.1.1\nDiagnostic-Code: smtp; 550 5.1.1\n No such mailbox here',
    ),
  ).toEqual({ kind: 'hard', key: 'k7-touch', address: 'ines@brackwater.example', error: '550 5.1.1 No such mailbox here' });
});

test.each(['delayed', 'failed'])('a status of 4 is for now, whether it is %s', (action) => {
  expect(report(`Original-Recipient: rfc822;ines@brackwater.example\nAction: ${action}\nStatus: 4.2.2`)).toEqual({
    kind: 'soft',
    key: 'k7-touch',
    address: 'ines@brackwater.example',
    error: 'status 4.2.2',
  });
});

test('the message is known by its headers too, where only those come back', () => {
  const headers = { type: 'text/rfc822-headers', name: '', text: 'Subject: A word\r\nMessage-ID: <abc.1@mail.urraca.test>\r\n' };
  const status = {
    type: 'message/delivery-status',
    name: '',
    text: 'Final-Recipient: rfc822; a@b.example\r\nAction: failed\r\nStatus: 5.2.1\r\n',
  };
  expect(readReturned(mailOf({ attached: [status, headers] }))).toMatchObject({
    kind: 'hard',
    key: 'abc.1',
    address: 'a@b.example',
  });
  expect(readReturned(mailOf({ attached: [status] }))).toMatchObject({ key: null, address: 'a@b.example' });
});

test('a feedback report is a complaint, and says of whom', () => {
  expect(
    report('Feedback-Type: abuse\nVersion: 1\nOriginal-Rcpt-To: <ines@brackwater.example>', 'message/feedback-report'),
  ).toEqual({ kind: 'complaint', key: 'k7-touch', address: 'ines@brackwater.example', error: 'abuse' });
});

test.each([
  ['a delivery that went well', 'Final-Recipient: rfc822; a@b.example\nAction: delivered\nStatus: 2.0.0'],
  ['a relay', 'Final-Recipient: rfc822; a@b.example\nAction: relayed\nStatus: 2.1.9'],
  ['a status of another kind', 'Action: failed\nStatus: sold'],
  ['words of a person', 'The house failed us.\nStatus of the sale: 5.1.1'],
  ['nothing', ''],
])('%s reports nothing', (_, text) => {
  expect(report(text)).toBeNull();
});

test('a long reason is cut, since people read it', () => {
  expect(report(`Action: failed\nStatus: 5.0.0\nDiagnostic-Code: smtp; ${'no '.repeat(500)}`)!.error.length).toBeLessThanOrEqual(
    200,
  );
});

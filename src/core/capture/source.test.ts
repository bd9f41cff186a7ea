import { isLeadSource } from '.';

test.each([
  ['Gannet & Quay Homes', true],
  ['Direct e-mail', true],
  ['Tollgate Mortgage Notices', true],
  ['Forwarded by Maren Ostby', false],
  ['Notifications', false],
  ['no-reply', false],
  ['Email notifications', false],
  ['Mailer-Daemon', false],
  ['Reply', false],
])('%s is a lead source: %s', (name, is) => expect(isLeadSource(name)).toBe(is));

import { createHmac } from 'node:crypto';
import { verifyWebhook } from '.';

const SECRET = 'a-secret-of-the-tests';
const sign = (body: string, { id = 'evt_1', at = Math.floor(Date.now() / 1000), secret = SECRET } = {}) =>
  new Headers({
    'webhook-id': id,
    'webhook-timestamp': String(at),
    'webhook-signature': `v1,bm90IHRoaXM= v1,${createHmac('sha256', secret).update(`${id}.${at}.${body}`).digest('base64')}`,
  });

test('a signed webhook tells its id', () => expect(verifyWebhook(sign('{}'), '{}', SECRET)).toBe('evt_1'));

test('another body, another secret, an old or missing time, no signature: refused', () => {
  const bad: [Headers, string][] = [
    [sign('{}'), '{ }'],
    [sign('{}', { secret: 'another' }), '{}'],
    [sign('{}', { at: Math.floor(Date.now() / 1000) - 600 }), '{}'],
    [new Headers({ 'webhook-id': 'evt_1', 'webhook-timestamp': 'soon', 'webhook-signature': 'v1,x' }), '{}'],
    [new Headers(), '{}'],
  ];
  for (const [headers, body] of bad) expect(() => verifyWebhook(headers, body, SECRET)).toThrow(/signature/);
});

test('a secret as the specification writes it signs with the bytes behind its prefix', () => {
  const key = Buffer.from('twenty-four bytes or so!');
  const at = Math.floor(Date.now() / 1000);
  const signature = createHmac('sha256', key).update(`evt_9.${at}.{}`).digest('base64');
  const headers = new Headers({ 'webhook-id': 'evt_9', 'webhook-timestamp': String(at), 'webhook-signature': `v1,${signature}` });
  const secret = `whsec_${key.toString('base64')}`;
  expect(verifyWebhook(headers, '{}', secret)).toBe('evt_9');
  expect(() => verifyWebhook(headers, '{ }', secret)).toThrow(/signature/);
});

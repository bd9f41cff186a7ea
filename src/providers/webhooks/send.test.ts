import { createServer, type IncomingHttpHeaders, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { isPublic, sendWebhook, verifyWebhook } from '.';

const SECRET = 'whsec_MfKQ9r8GKYqrTwjUPD8ILPZIo2LaLaSw';
let server: Server;
let url = '';
const heard: { headers: IncomingHttpHeaders; body: string }[] = [];
let answers: { status: number; body: string; headers?: Record<string, string> } = { status: 200, body: 'ok' };

beforeAll(async () => {
  server = createServer((request, response) => {
    let body = '';
    request.on('data', (part: Buffer) => (body += part.toString()));
    request.on('end', () => {
      heard.push({ headers: request.headers, body });
      response.writeHead(answers.status, answers.headers).end(answers.body);
    });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/hook`;
});
afterAll(() => void server.close());
const send = (mayBePrivate = true, to = url) =>
  sendWebhook({ url: to, secret: SECRET, id: 'msg_7', payload: '{"type":"x"}' }, mayBePrivate);

test('it is signed so that a receiver that follows the specification believes it', async () => {
  expect(await send()).toMatchObject({ ok: true, status: 200, error: null, answer: 'ok' });
  const { headers, body } = heard.at(-1)!;
  expect(verifyWebhook(new Headers(headers as Record<string, string>), body, SECRET)).toBe('msg_7');
  expect(() => verifyWebhook(new Headers(headers as Record<string, string>), `${body} `, SECRET)).toThrow(/signature/);
});

test('an error, a redirect and a long answer are told and not followed', async () => {
  answers = { status: 503, body: 'x'.repeat(100_000) };
  const failed = await send();
  expect(failed).toMatchObject({ ok: false, status: 503, error: 'It answered 503.' });
  expect(failed.answer).toHaveLength(2_000);
  answers = { status: 302, body: '', headers: { location: 'http://127.0.0.1:1/' } };
  expect(await send()).toMatchObject({ ok: false, status: 302 });
  expect(await send(true, 'http://127.0.0.1:1/')).toMatchObject({ ok: false, status: null, error: 'Nobody listens there.' });
});

test('addresses of our own network are not called, by number or by name', async () => {
  const before = heard.length;
  const refused = { ok: false, error: expect.stringContaining('private network') as string };
  expect(await send(false)).toMatchObject(refused);
  expect(await send(false, url.replace('127.0.0.1', 'localhost'))).toMatchObject(refused);
  expect(heard).toHaveLength(before);
});

test.each([
  ['127.0.0.1', false],
  ['10.1.2.3', false],
  ['169.254.169.254', false],
  ['::1', false],
  ['::ffff:127.0.0.1', false],
  ['fd00::1', false],
  ['0.0.0.0', false],
  ['203.0.113.9', false],
  ['8.8.4.4', true],
])('%s is public: %s', (address, is) => expect(isPublic(address)).toBe(is));

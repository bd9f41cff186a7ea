/** What an outside service may answer, and how it is read: accepted, refused for good, or to be tried later. */
import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { handOver, handOverTogether } from './http';

const servers: Server[] = [];
async function listening(listener: RequestListener): Promise<string> {
  const server = createServer(listener);
  servers.push(server);
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}/messages`;
}
const service = (url: string) => ({ url, authorization: null });
const answering = (status: number, body: string) =>
  listening((request, response) => {
    request.resume().on('end', () => response.writeHead(status, { 'content-type': 'application/json' }).end(body));
  });

afterAll(() => {
  for (const server of servers) {
    server.closeAllConnections();
    server.close();
  }
});

it('hands over the body with its key, and keeps the receipt', async () => {
  const seen: unknown[] = [];
  const url = await listening((request, response) => {
    let text = '';
    request.setEncoding('utf8').on('data', (part) => (text += part));
    request.on('end', () => {
      seen.push([request.method, request.headers['idempotency-key'], request.headers['content-type'], JSON.parse(text)]);
      response.writeHead(201).end('{"receipt":"r-1"}');
    });
  });
  await expect(handOver(service(url), '', { text: 'Gruß 🙂' }, { 'idempotency-key': 'k' })).resolves.toEqual({
    result: 'accepted',
    receipt: 'r-1',
  });
  expect(seen).toEqual([['POST', 'k', 'application/json', { text: 'Gruß 🙂' }]]);
});

it('shows the service what it lets us in by, and waits for one that is not connected', async () => {
  const seen: unknown[] = [];
  const url = await listening((request, response) => {
    seen.push(request.headers.authorization, request.url);
    request.resume().on('end', () => response.end('{}'));
  });
  await handOver({ url, authorization: 'Bearer a token' }, '/texts', {});
  expect(seen).toEqual(['Bearer a token', '/messages/texts']);
  await expect(handOver(null, '/texts', {})).resolves.toEqual({ result: 'later', error: 'isn’t connected yet' });
  await expect(handOverTogether(null, '/texts', [{}, {}])).resolves.toHaveLength(2);
});

it.each([
  [204, '', { result: 'accepted', receipt: null }],
  [200, 'thank you', { result: 'accepted', receipt: null }],
  [400, '{"detail":"no such number"}', { result: 'refused', error: 'no such number' }],
  [404, '<html>', { result: 'refused', error: 'answered 404' }],
  [408, '{}', { result: 'later', error: 'answered 408' }],
  [429, '{"detail":"too many"}', { result: 'later', error: 'too many' }],
  [500, 'null', { result: 'later', error: 'answered 500' }],
])('reads %i %s', async (status, body, expected) => {
  await expect(handOver(service(await answering(status, body)), '', {})).resolves.toEqual(expected);
});

it('says that nobody was there', async () => {
  const url = await answering(200, '');
  await new Promise((closed) => servers.pop()!.close(closed));
  await expect(handOver(service(url), '', {})).resolves.toEqual({ result: 'later', error: 'could not be reached' });
});

it('asks once more when a connection was closed while it lay idle, and no more than once', async () => {
  let asked = 0;
  const url = await listening((request, response) => {
    asked += 1;
    request.resume().on('end', () => {
      if (asked === 1) response.end('{"receipt":"first"}');
      else if (asked === 2) request.socket.resetAndDestroy();
      else response.end('{"receipt":"third"}');
    });
  });
  await expect(handOver(service(url), '', {})).resolves.toEqual({ result: 'accepted', receipt: 'first' });
  await expect(handOver(service(url), '', {})).resolves.toEqual({ result: 'accepted', receipt: 'third' });
  expect(asked).toBe(3);
  const always = await listening((request) => request.socket.resetAndDestroy());
  await expect(handOver(service(always), '', {})).resolves.toEqual({ result: 'later', error: 'could not be reached' });
});

it('waits no longer than its deadline', async () => {
  const url = await listening(() => {});
  const timeout = jest.spyOn(AbortSignal, 'timeout').mockImplementation(() => {
    const controller = new AbortController();
    setTimeout(() => controller.abort(new DOMException('too late', 'TimeoutError')), 50);
    return controller.signal;
  });
  await expect(handOver(service(url), '', {})).resolves.toEqual({ result: 'later', error: 'did not answer in time' });
  timeout.mockRestore();
});

it('hands several over together and reads what became of each', async () => {
  const answers = [{ status: 201, receipt: 'r-1' }, { status: 422, detail: 'no such number' }, { status: 503 }, null];
  const url = await answering(200, JSON.stringify(answers));
  await expect(handOverTogether(service(url), '', [{}, {}, {}, {}])).resolves.toEqual([
    { result: 'accepted', receipt: 'r-1' },
    { result: 'refused', error: 'no such number' },
    { result: 'later', error: 'answered 503' },
    { result: 'later', error: 'answered 500' },
  ]);
});

it.each([
  ['refuses an array', 400, '{"detail":"no such thing"}', null],
  ['answers another number of them', 200, '[{"status":201}]', null],
  ['answers as to one', 201, '{"receipt":"r-1"}', null],
  ['is down', 503, '', Array(2).fill({ result: 'later', error: 'answered 503' })],
])('a service that %s', async (_, status, body, expected) => {
  await expect(handOverTogether(service(await answering(status, body)), '', [{}, {}])).resolves.toEqual(expected);
});

it('says of each that nobody was there', async () => {
  const url = await answering(200, '');
  await new Promise((closed) => servers.pop()!.close(closed));
  const away = { result: 'later', error: 'could not be reached' };
  await expect(handOverTogether(service(url), '', [{}, {}])).resolves.toEqual([away, away]);
});

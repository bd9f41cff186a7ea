/** docs/carriers: what our providers send is what the document says, and the simulator answers as it says. */
import { readFileSync } from 'node:fs';
import { mkdtempSync } from 'node:fs';
import { createServer, type IncomingMessage, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Ajv from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { httpPostHouse } from '@/providers/post';
import { httpRegistry } from '@/providers/registry';
import { httpCarrier } from '@/providers/sms';
import { httpPhoneNetwork } from '@/providers/voice';
import { api } from '../../simulator/api';
import { openJournal } from '../../simulator/journal';
import { SimulatorWorld } from '../../simulator/world';

interface Described {
  requestBody: { content: { 'application/json': { schema: object } } };
  responses: Record<string, { content: { 'application/json': { schema: object } } }>;
}
const document = JSON.parse(readFileSync(join(__dirname, '..', '..', 'docs', 'carriers', 'openapi.json'), 'utf8')) as {
  paths: Record<string, { post: Described }>;
  webhooks: Record<string, { post: Described }>;
};
const ajv = new Ajv({ strict: false });
addFormats(ajv);
ajv.addSchema(document, 'carriers');
/** What is wrong with a value by a schema of the document; null when nothing is. */
function wrongWith(schema: object, value: unknown): string | null {
  const check = ajv.compile(JSON.parse(JSON.stringify(schema).replaceAll('"#/', '"carriers#/')) as object);
  return check(value) ? null : ajv.errorsText(check.errors);
}

const servers: Server[] = [];
const listening = async (server: Server): Promise<string> => {
  servers.push(server);
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
};
const textOf = async (request: IncomingMessage): Promise<string> => {
  const parts: Buffer[] = [];
  for await (const part of request) parts.push(part as Buffer);
  return Buffer.concat(parts).toString('utf8');
};

/** Lies between our providers and the simulator, and holds both against the document. */
async function between(): Promise<{ url: string; seen: Set<string>; wrong: string[]; world: SimulatorWorld }> {
  const seen = new Set<string>();
  const wrong: string[] = [];
  const world = new SimulatorWorld(openJournal(mkdtempSync(join(tmpdir(), 'urraca-carriers-'))), {
    hookUrl: 'http://127.0.0.1:9',
    hookSecret: 'x',
    mailDoor: { host: '127.0.0.1', port: 9 },
    habits: false,
  });
  const simulator = await listening(api(world));
  const url = await listening(
    createServer((request, response) => {
      void (async () => {
        const path = request.url!.replace(/^\/calls\/[^/]+\/hangup$/, '/calls/{key}/hangup');
        const body = await textOf(request);
        const described = document.paths[path]!.post;
        const sent = wrongWith(described.requestBody.content['application/json'].schema, JSON.parse(body));
        if (sent) wrong.push(`sent to ${path}: ${sent}`);
        const answer = await fetch(`${simulator}${request.url}`, { method: 'POST', body });
        const text = await answer.text();
        const as = described.responses[String(answer.status)] ?? described.responses[`${String(answer.status)[0]}XX`]!;
        const answered = wrongWith(as.content['application/json'].schema, JSON.parse(text));
        if (answered) wrong.push(`answered by ${path}, ${answer.status}: ${answered}`);
        seen.add(`${path} ${answer.status}`);
        response.writeHead(answer.status).end(text);
      })();
    }),
  );
  return { url, seen, wrong, world };
}

afterAll(() => {
  for (const server of servers) {
    server.closeAllConnections();
    server.close();
  }
});

test('every path is asked by our providers and answered by the simulator as the document says', async () => {
  const { url, seen, wrong } = await between();
  const service = { url, authorization: null };
  const text = { key: 'a', from: '+13605550101', to: '+15645550123', body: 'hello' };
  await httpCarrier(service).send(text);
  await httpCarrier(service).sendTogether([
    { ...text, key: 'b' },
    { ...text, key: 'c' },
  ]);
  await httpPhoneNetwork(service).place({ key: 'd', from: '', to: text.to, say: 'a new lead' });
  await httpPhoneNetwork(service).hangUp('d');
  await httpPhoneNetwork(service).hangUp('nobody');
  await httpPostHouse(service).send({
    key: 'e',
    from: 'Ostby Homes',
    to: '1 Harbor Row\nQuillhaven, WA 98701',
    name: 'Oda Brandvold',
    subject: 'Hello',
    text: 'Dear Oda',
    pdf: Buffer.from('%PDF-1.7'),
  });
  expect(await httpRegistry(service).registered([text.to])).toEqual(new Set());
  expect(wrong).toEqual([]);
  expect(new Set([...seen].map((one) => one.split(' ')[0]))).toEqual(new Set(Object.keys(document.paths)));
});

test('bad weather is answered as the document says', async () => {
  const { url, seen, wrong, world } = await between();
  world.sky.set({ all: 'down' });
  const answer = await httpCarrier({ url, authorization: null }).send({ key: 'a', from: '', to: '+15645550123', body: 'x' });
  expect(answer).toMatchObject({ result: 'later' });
  expect(wrong).toEqual([]);
  expect(seen).toEqual(new Set(['/texts 503']));
});

test('a report is described: what is one and what is not', () => {
  const hook = (name: string) => document.webhooks[name]!.post.requestBody.content['application/json'].schema;
  const at = '2026-11-23T18:00:00Z';
  expect(wrongWith(hook('texts'), { from: '+13605550101', to: '+15645550123', body: 'STOP', at })).toBeNull();
  expect(wrongWith(hook('calls'), { key: 'd', state: 'ended', end: 'no-answer', at })).toBeNull();
  expect(wrongWith(hook('calls'), { key: 'd', state: 'gone', at })).toMatch(/allowed values/);
  expect(wrongWith(hook('letters'), { key: 'e', state: 'returned', at })).toBeNull();
});

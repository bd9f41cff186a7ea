/** The simulator's API: what the application hands over, and how a person or a test looks at and steers the simulated world. */
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { page } from './page';
import { SERVICES, WEATHERS, type Service, type Weather } from './weather';
import type { SimulatorWorld } from './world';

interface Answer {
  status: number;
  body: unknown;
  html?: boolean;
}
type Body = Record<string, string> & Record<string, unknown>;
const ok = (body: unknown): Answer => ({ status: 200, body });
const wrong = (detail: string, status = 422): Answer => ({ status, body: { detail } });
const MOST_BYTES = 8_000_000;

async function readBody(request: IncomingMessage): Promise<Body | Body[]> {
  const parts: Buffer[] = [];
  let size = 0;
  for await (const part of request) {
    size += (part as Buffer).length;
    if (size > MOST_BYTES) throw new Error('too large');
    parts.push(part as Buffer);
  }
  return (parts.length ? JSON.parse(Buffer.concat(parts).toString('utf8')) : {}) as Body | Body[];
}

/** Under the weather of a service: 503 when it is down or fails. */
const handed = (world: SimulatorWorld, service: Service, take: () => void): Promise<Answer> =>
  world.sky.under<Answer>(
    service,
    () => {
      take();
      return { status: 201, body: { receipt: `${service}-taken` } };
    },
    () => wrong('the service is down', 503),
  );

const PHONE = /^\+\d{7,15}$/;

const MOST_TEXTS = 100;

async function takeText(world: SimulatorWorld, body: Body): Promise<Answer> {
  if (!body?.key || !PHONE.test(body.to ?? '')) return wrong('a text needs a key and a number in E.164');
  return handed(world, 'text', () => world.takeText(body as never));
}

/** Several texts at once: each is answered as if it had come alone. */
async function takeTexts(world: SimulatorWorld, bodies: Body[]): Promise<Answer> {
  if (bodies.length > MOST_TEXTS) return wrong(`at most ${MOST_TEXTS} texts at once`, 413);
  const answers = await Promise.all(bodies.map((body) => takeText(world, body)));
  return ok(answers.map(({ status, body }) => ({ status, ...(body as object) })));
}

async function takeOver(world: SimulatorWorld, path: string, body: Body | Body[]): Promise<Answer | null> {
  if (Array.isArray(body)) return path === '/texts' ? takeTexts(world, body) : wrong('only texts are taken several at once', 400);
  if (path === '/texts') return takeText(world, body);
  if (path === '/calls') {
    if (!body.key || !PHONE.test(body.to ?? '')) return wrong('a call needs a key and a number in E.164');
    return handed(world, 'call', () => world.placeCall(body as never));
  }
  if (path === '/letters') {
    if (!body.key || !body.to) return wrong('a letter needs a key and an address');
    const pdf = Buffer.from(body.pdf ?? '', 'base64');
    if (pdf.subarray(0, 5).toString() !== '%PDF-') return wrong('a letter needs a PDF');
    return handed(world, 'letter', () =>
      world.takeLetter({
        ...(body as never as { key: string; from: string; to: string; name: string; subject: string; text: string }),
        pdfBytes: pdf.length,
        isPdf: true,
      }),
    );
  }
  if (path === '/registry') {
    const numbers = Array.isArray(body.numbers) ? (body.numbers as string[]) : [];
    return ok({ registered: numbers.filter((number) => world.people.registered(number)) });
  }
  const hangUp = /^\/calls\/([^/]+)\/hangup$/.exec(path);
  if (hangUp) return world.hangUp(decodeURIComponent(hangUp[1]!)) ? ok({}) : wrong('no such call', 404);
  return null;
}

type Steering = (world: SimulatorWorld, given: { body: Body; url: URL }) => Answer | Promise<Answer>;

/** What the one who runs the world asks of it, and tells it. */
const STEERING: Record<string, Steering> = {
  'GET /health': () => ok({ status: 'ok' }),
  'GET /sent': ({ record }, { url: { searchParams } }) => {
    const [to, channel, since] = ['to', 'channel', 'since'].map((name) => searchParams.get(name));
    return ok({ items: record.list({ to: to!, channel: channel!, since: since! }), repeats: record.repeats });
  },
  'GET /clock': ({ agenda }) => ok({ now: new Date(agenda.now()).toISOString(), next: isoOrNull(agenda.next()) }),
  'PUT /clock': ({ agenda }, { body }) => {
    if (body.held_at) agenda.hold(Date.parse(body.held_at));
    else agenda.setOffset(Number(body.offset_ms ?? 0));
    return ok({});
  },
  'POST /clock/run': async ({ agenda }, { body }) => {
    agenda.hold(Date.parse(body.to!));
    return ok({ ran: await agenda.run(), next: isoOrNull(agenda.next()) });
  },
  'GET /weather': ({ sky }) => ok(sky.get()),
  'PUT /weather': ({ sky }, { body }) => {
    const known = Object.entries(body).every(
      ([service, weather]) =>
        (service === 'all' || SERVICES.includes(service as Service)) && WEATHERS.includes(weather as Weather),
    );
    if (!known) return wrong(`weather is {"all" or one of ${SERVICES.join(', ')}: one of ${WEATHERS.join(', ')}}`);
    sky.set(body);
    return ok(sky.get());
  },
  'POST /send': (world, { body }) => {
    if (body.channel !== 'text' && body.channel !== 'email')
      return wrong('people here write texts and e-mails; they do not call in');
    world.write(body as never);
    return { status: 202, body: {} };
  },
  'GET /': (world) => ({ status: 200, body: page(world), html: true }),
};

async function steer(world: SimulatorWorld, method: string, url: URL, body: Body): Promise<Answer | null> {
  const { pathname } = url;
  if (method === 'PUT' && pathname.startsWith('/people/')) {
    world.people.script(decodeURIComponent(pathname.slice('/people/'.length)), body);
    return ok({});
  }
  const key = `${method} ${pathname}`;
  return Object.hasOwn(STEERING, key) ? STEERING[key]!(world, { body, url }) : null;
}

const isoOrNull = (at: number | null): string | null => (at === null ? null : new Date(at).toISOString());

async function answer(world: SimulatorWorld, request: IncomingMessage): Promise<Answer> {
  const url = new URL(request.url ?? '/', 'http://simulator');
  try {
    const body = request.method === 'GET' ? ({} as Body) : await readBody(request);
    const found =
      (request.method === 'POST' ? await takeOver(world, url.pathname, body) : null) ??
      (await steer(world, request.method ?? 'GET', url, body as Body));
    return found ?? wrong('there is no such thing here', 404);
  } catch (error) {
    return wrong(error instanceof Error ? error.message : 'unreadable', 400);
  }
}

export function api(world: SimulatorWorld): Server {
  return createServer((request: IncomingMessage, response: ServerResponse) => {
    void answer(world, request).then(({ status, body, html }) => {
      response.writeHead(status, { 'content-type': html ? 'text/html; charset=utf-8' : 'application/json' });
      response.end(html ? (body as string) : JSON.stringify(body));
    });
  });
}

/**
 * The application that scenarios run in: a brokerage in a database of its own, with the real services, the real worker functions
 * and the real simulator in this process, on a clock that only the scenario moves. It speaks the words of the domain.
 */
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import type { SMTPServer } from 'smtp-server';
import { NEW_BUYER, type Plan } from '@/core/campaigns';

import { readInquiry } from '@/core/capture/schemas';
import { scopeFor, wholeAccount, type User, type Principal, type Role, type Scope } from '@/core/accounts';

/** The migrated database that every case is copied from; `npm test` makes it. */
const TEMPLATE = 'urraca_template';

type Modules = Awaited<ReturnType<typeof modules>>;

/** Loaded only once the environment of the case stands. */
const modules = async () => ({
  shared: await import('@/server/shared'),
  capture: await import('@/server/capture'),
  contacts: await import('@/server/contacts'),
  campaigns: await import('@/server/campaigns'),
  messages: await import('@/server/messages'),
  files: await import('@/server/files'),
  templates: await import('@/server/templates'),
  broadcasts: await import('@/server/broadcasts'),
  calling: await import('@/server/calling'),
  routing: await import('@/server/routing'),
  today: await import('@/server/today'),
  imports: await import('@/server/imports'),
  exports: await import('@/server/exports'),
  duplicates: await import('@/server/duplicates'),
  calendar: await import('@/server/calendar'),
  exporting: await import('@/worker/exports/run'),
  exportMail: await import('@/worker/exports/mail'),
  importing: { ...(await import('@/worker/imports/scan')), ...(await import('@/worker/imports/run')) },
  changes: await import('@/server/changes'),
  vocabulary: await import('@/server/vocabulary'),
  tags: await import('@/server/tags'),
  segments: await import('@/server/segments'),
  results: await import('@/server/results'),
  market: await import('@/server/market'),
  pages: await import('@/server/pages'),
  accounts: await import('@/server/accounts'),
  founding: await import('@/server/founding'),
  webhooks: await import('@/server/webhooks'),
  delivering: await import('@/worker/webhooks/deliver'),
  simulation: await import('@/server/simulation'),
  outside: await import('@/worker/shared/providers'),
  jobQueue: await import('@/worker/shared/job-queue'),
  pulse: await import('@/worker/shared/pulse'),
  advance: await import('@/worker/simulation/advance'),
  handOver: await import('@/worker/messages/hand-over'),
  door: await import('@/worker/messages/mail-door'),
  simWorld: await import('../../simulator/world'),
  simApi: await import('../../simulator/api'),
  simMail: await import('../../simulator/mailboxes'),
  simJournal: await import('../../simulator/journal'),
  notice: await import('@/worker/routing/agent-alert'),
  rehearsing: await import('@/worker/routing/rehearse'),
  texts: await import('@/app/api/hooks/texts/route'),
  calls: await import('@/app/api/hooks/calls/route'),
  letters: await import('@/app/api/hooks/letters/route'),
  opens: await import('@/app/o/[token]/route'),
  links: await import('@/app/l/[token]/route'),
});

export const MONDAY_MORNING = new Date('2026-11-23T18:00:00Z');
const ZONE = 'America/Los_Angeles';

export interface Lead {
  first_name?: string;
  last_name?: string;
  emails?: string[];
  phones?: string[];
  roles?: string[];
  permissions?: object;
  on_the_phone?: boolean;
  place?: object;
  tags?: string[];
  message?: string;
  wants?: object;
  assigned_to?: string;
  listing?: object;
}

/** Opens one. `await app.close()` when the file is done. */
export async function openApp(plan: Plan = NEW_BUYER.plan) {
  const base = process.env.TEST_POSTGRES!;
  const name = `urraca_case_${randomUUID().slice(0, 13)}`;
  await sql(base, `create database "${name}" template ${TEMPLATE}`);
  const folder = mkdtempSync(join(tmpdir(), 'urraca-case-'));
  Object.assign(process.env, {
    DATABASE_URL: `${base}/${name}`,
    URRACA_SECRET: 'the-secret-of-the-test-house-0123456789',
    HOOK_SECRET: 'the-hook-secret-of-the-tests',
    URRACA_CLOCK: 'simulated',
    PUBLIC_URL: 'http://127.0.0.1:9',
  });
  const app = new TestApp(await modules(), folder, async () => {
    await sql(base, `drop database "${name}" with (force)`);
    rmSync(folder, { recursive: true, force: true });
  });
  await app.furnish(plan);
  return app;
}

async function sql(base: string, statement: string): Promise<void> {
  const admin = new pg.Client({ connectionString: `${base}/postgres` });
  await admin.connect();
  await admin.query(statement);
  await admin.end();
}

const portOf = (server: Server): number => (server.address() as AddressInfo).port;
const listening = (server: Server): Promise<void> => new Promise((resolve) => server.listen(0, '127.0.0.1', () => resolve()));

export class TestApp {
  readonly scope: Scope = wholeAccount('1');
  users: Record<string, User> = {};
  world!: InstanceType<Modules['simWorld']['SimulatorWorld']>;
  outside!: ReturnType<Modules['outside']['connectProviders']>;
  private servers: Server[] = [];
  private smtp: SMTPServer[] = [];
  /** Where mail for this account is taken in. */
  mailDoorPort = 0;

  constructor(
    readonly m: Modules,
    private readonly folder: string,
    private readonly tearDown: () => Promise<void>,
  ) {}

  get db() {
    return this.m.shared.reader();
  }

  async furnish(plan: Plan): Promise<void> {
    const staff: [string, Role, number | null][] = [
      ['Ada', 'admin', 0],
      ['Abel', 'agent', 0],
      ['Brisa', 'agent', 0],
      ['Caspian', 'agent', 1],
      ['Cato', 'caller', 0],
      ['Hollis', 'lender', null],
    ];
    const users = staff.map(([firstName, role, office], at) => ({
      role,
      firstName,
      lastName: 'Test',
      email: `${firstName.toLowerCase()}@house.example`,
      phone: `+1360555010${at}`,
      passwordHash: 'none',
      office,
    }));
    const founded = await this.m.shared.transact((tx) =>
      this.m.founding.foundBrokerage(
        tx,
        {
          name: 'Test House',
          timeZone: ZONE,
          /* Scenarios that let weeks pass say themselves which holidays are in them. */
          settings: { holidays: ['01-01', '07-04', '12-25'], postalAddress: '1 Quay Street, Quillhaven, 98701' },
          offices: ['North', 'South'],
          users,
          doors: [
            { kind: 'api', name: 'Lead sources' },
            { kind: 'page', name: 'A page', slug: 'page' },
          ],
          campaigns: [{ name: 'New buyer', group: 'First weeks', plan, state: 'on' }],
          rosters: [{ name: 'Coast agents', members: [{ user: 1 }, { user: 2 }, { user: 3 }] }],
          rungs: [{ tree: { all: [{ on: 'lead_role', how: 'any', of: ['buyer'] }] }, roster: 0, campaign: 0 }],
        },
        MONDAY_MORNING,
      ),
    );
    for (const [at, { role, firstName, lastName, email, phone, office }] of users.entries())
      this.users[firstName] = {
        id: founded.userIds[at]!,
        accountId: founded.accountId,
        officeId: office === null ? null : founded.officeIds[office]!,
        role,
        firstName,
        lastName,
        email,
        phone,
        timeZone: ZONE,
        dayGoal: 30,
      };
    await this.setClock(MONDAY_MORNING);
    await this.openWorld();
  }

  private async openWorld(): Promise<void> {
    const { simWorld, simApi, simMail, simJournal, door } = this.m;
    const hooks = createServer((request, response) => {
      const parts: Buffer[] = [];
      request.on('data', (part: Buffer) => parts.push(part));
      request.on('end', () => {
        void this.answer(
          request.method ?? 'GET',
          request.url ?? '/',
          request.headers as Record<string, string>,
          Buffer.concat(parts),
        ).then(async (answer) => {
          response.writeHead(answer.status, Object.fromEntries(answer.headers));
          response.end(await answer.text());
        });
      });
    });
    await listening(hooks);
    const mailDoor = door.mailDoor((message, error) => console.error(message, error));
    const mailDoorPort = await this.listenSmtp(mailDoor);
    this.mailDoorPort = mailDoorPort;
    this.world = new simWorld.SimulatorWorld(simJournal.openJournal(this.folder), {
      hookUrl: `http://127.0.0.1:${portOf(hooks)}`,
      hookSecret: process.env.HOOK_SECRET!,
      mailDoor: { host: '127.0.0.1', port: mailDoorPort },
      load: (url) => this.answer('GET', new URL(url).pathname, {}, Buffer.alloc(0)),
      habits: false,
    });
    this.world.sky.slowMs = 20;
    this.world.agenda.hold(MONDAY_MORNING.getTime());
    const api = simApi.api(this.world);
    await listening(api);
    const mailPort = await this.listenSmtp(simMail.mailboxes(this.world));
    const url = `http://127.0.0.1:${portOf(api)}`;
    Object.assign(process.env, { SIMULATOR_URL: url, SMTP_URL: `smtp://127.0.0.1:${mailPort}` });
    this.m.shared.forgetConfig();
    this.outside = this.m.outside.connectProviders();
    this.servers.push(hooks, api);
  }

  /** What the outside world asks of the application: webhooks, and what mails lead back to. */
  private answer(method: string, url: string, headers: Record<string, string>, body: Buffer): Promise<Response> {
    const [, area, last = ''] = url.split('/');
    const params = { params: Promise.resolve({ token: last }) };
    const request = new Request(
      `http://house${url}`,
      method === 'GET' ? { headers } : { method, headers, body: new Uint8Array(body) },
    );
    if (area === 'o') return this.m.opens.GET(request, params);
    if (area === 'l') return this.m.links.GET(request, params);
    if (url.endsWith('/letters')) return this.m.letters.POST(request);
    return url.endsWith('/texts') ? this.m.texts.POST(request) : this.m.calls.POST(request);
  }

  private listenSmtp(server: SMTPServer): Promise<number> {
    this.smtp.push(server);
    server.on('error', () => {});
    return new Promise((resolve) => server.listen(0, '127.0.0.1', () => resolve((server.server.address() as AddressInfo).port)));
  }

  /** The clock stands at an instant until the scenario moves it. */
  async setClock(at: Date): Promise<void> {
    await this.m.shared.holdClock(this.db, at);
    this.world?.agenda.hold(at.getTime());
  }

  as(first: string): Principal {
    return { kind: 'user', user: this.users[first]! };
  }
  scopeOf(first: string): Scope {
    return scopeFor(this.as(first));
  }

  /** A lead comes in by the API, or typed in by somebody. */
  async arrives(lead: Lead, more: { idempotencyKey?: string; by?: string } = {}) {
    const { first_name, last_name, emails, phones, ...rest } = lead;
    const raw = {
      person: {
        first_name: first_name ?? 'Oda',
        last_name: last_name ?? 'Brandvold',
        emails: emails ?? [],
        phones: phones ?? [],
      },
      roles: ['buyer'],
      place: { city: 'Saltmarsh', postal_code: '98741' },
      ...rest,
    };
    const door = await this.m.capture.doorOfKind('1', more.by ? 'hand' : 'api');
    return this.m.capture.captureInquiry({
      door,
      raw,
      inquiry: readInquiry(raw),
      idempotencyKey: more.idempotencyKey ?? null,
      byPerson: more.by ? this.users[more.by]! : null,
    });
  }

  /** Whatever agents are to be told is told now, by the providers. */
  async tellAgents(): Promise<void> {
    for (const { id } of await this.db.rows<{ id: string }>('select id from agent_alerts where sent_at is null order by id'))
      await this.m.notice.tellAgent(id, this.outside);
  }

  /** Everything due by now is carried out. */
  async settle(): Promise<void> {
    await this.db.run(
      `insert into processes (id, kind) values ('test', 'worker') on conflict (id) do update set seen_at = clock_timestamp()`,
    );
    await this.m.pulse.carryOutAll('test', this.outside);
  }

  /** Time passes; everything due in between happens at its own time. The clock then stands again. */
  async advance(by: string | Date): Promise<void> {
    const { requestAdvance } = this.m.simulation;
    const { durationMs } = await import('@/core/shared');
    await this.db.run(
      `insert into processes (id, kind) values ('test', 'worker') on conflict (id) do update set seen_at = clock_timestamp()`,
    );
    const id = await requestAdvance(typeof by === 'string' ? { by: durationMs(by)! } : { to: by });
    await this.m.advance.performAdvance(id, 'test', this.outside);
    const { reached } = (await this.m.simulation.readAdvance(id))!;
    await this.setClock(new Date(reached!));
  }

  /** The timeline, oldest first, as `kind: text or reason`. */
  async story(contactId: string): Promise<string[]> {
    const { items } = await this.m.contacts.listTimeline(this.scope, contactId, 200);
    return items
      .reverse()
      .map(
        (item) =>
          `${item.kind}${item.channel ? ` ${item.channel}` : ''}${item.direction === 'in' ? ' in' : ''}: ${item.because ?? item.text ?? ''}`,
      );
  }

  /** People whom a case writes straight into the table get what everybody has: facts, and a place in the search. */
  async completePeople(): Promise<void> {
    await this.db.run('insert into contact_facts (contact_id) select id from contacts on conflict do nothing');
    await this.m.contacts.writeSearch(this.db, 'true');
  }

  contact(id: string) {
    return this.m.contacts.findContactWithPermissions(this.scope, id);
  }

  /** What the outside world received, by its own record. */
  received(channel?: string) {
    return this.world.record.list({ channel });
  }

  /** The activities fold to what stands in the tables; no lead is without a person. */
  async verified(): Promise<string[]> {
    return (await this.m.contacts.verify()).differences;
  }

  async close(): Promise<void> {
    this.outside.mail.close();
    for (const server of this.servers) {
      server.closeAllConnections();
      server.close();
    }
    await Promise.all(this.smtp.map((server) => new Promise<void>((resolve) => server.close(() => resolve()))));
    await this.m.shared.stopHearing();
    await this.m.capture.finishRequests();
    await this.m.shared.stopReading();
    await this.m.shared.closeDb();
    await this.tearDown();
  }
}

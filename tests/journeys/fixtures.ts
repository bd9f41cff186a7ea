/** What journeys share: logging in, the API by key, the simulated people, time that passes, verify at the end of each. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { expect, test as base, type Page } from '@playwright/test';

export const BASE = process.env.BASE_URL ?? 'http://127.0.0.1:3100';
export const SIMULATOR = process.env.SIMULATOR_URL ?? 'http://127.0.0.1:3910';
const KEY = { authorization: 'Bearer urraca-demo-key' };

/** A call of the API by key. */
export async function api<T>(
  path: string,
  method = 'GET',
  body?: unknown,
  headers: Record<string, string> = KEY,
): Promise<{ status: number; body: T; headers: Headers }> {
  const response = await fetch(`${BASE}/api/v1${path}`, {
    method,
    headers: { ...headers, ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
    body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
  });
  const text = await response.text();
  const isJson = /json/.test(response.headers.get('content-type') ?? '');
  return { status: response.status, body: (isJson ? JSON.parse(text) : text || null) as T, headers: response.headers };
}

export const advance = async (by: string): Promise<void> => {
  const { status } = await api('/simulation/advance', 'POST', { by });
  expect(status).toBe(200);
};

/** Time passes to the next morning on which work is done, unless it is one; what goes by itself goes then, wherever other journeys came to. */
export async function workingHours(): Promise<void> {
  const { body } = await api<{ now: string }>('/simulation');
  const at = new Date(body.now);
  const local = (one: Date): string =>
    one.toLocaleString('en-US', {
      timeZone: 'America/Los_Angeles',
      weekday: 'short',
      hour: '2-digit',
      hour12: false,
      month: '2-digit',
      day: '2-digit',
    });
  const works = (one: Date): boolean =>
    /^(?:Mon|Tue|Wed|Thu|Fri), .* (?:09|1[0-5])$/.test(local(one)) && !/11\/26|12\/25|01\/01/.test(local(one));
  if (works(at)) return;
  let to = new Date(Math.ceil(at.getTime() / 3_600_000) * 3_600_000);
  while (!works(to)) to = new Date(to.getTime() + 3_600_000);
  const { status } = await api('/simulation/advance', 'POST', { to: to.toISOString() });
  expect(status).toBe(200);
}

/** How somebody in the simulated world behaves. */
export async function script(address: string, behaviour: object): Promise<void> {
  await fetch(`${SIMULATOR}/people/${encodeURIComponent(address)}`, { method: 'PUT', body: JSON.stringify(behaviour) });
}

/** What the outside world received for an address. */
export async function received(to: string): Promise<{ channel: string; body: string; subject: string | null; at: string }[]> {
  const { items } = (await (await fetch(`${SIMULATOR}/sent?to=${encodeURIComponent(to)}`)).json()) as {
    items: { channel: string; body: string; subject: string | null; at: string }[];
  };
  return items;
}

export async function logIn(page: Page, who: string): Promise<void> {
  await page.goto('/login');
  await page.getByLabel('Email').fill(`${who}@urraca.example`);
  await page.getByLabel('Password').fill('urraca-demo');
  await page.getByRole('button', { name: 'Log in', exact: true }).click();
  await page.waitForURL((url) => !url.pathname.startsWith('/login'));
  await page.locator('[data-keys="heard"]').waitFor();
}

export interface CapturedLead {
  inquiry: { id: string };
  contact: { id: string; status: string };
  routing: { agent: { id: string; name: string }; because: string };
}

/** A lead that comes in by the API and goes to the agent wanted, others being passed over until it is their turn. */
export async function leadFor(
  agent: string,
  person: { first_name: string; last_name: string; emails: string[]; phones: string[] },
): Promise<CapturedLead> {
  for (let turn = 0; turn < 10; turn += 1) {
    const { body: ladder } = await api<{ rosters: { members: { name: string; next: boolean }[] }[] }>('/ladder');
    const next = ladder.rosters[0]!.members.find((member) => member.next)!.name;
    const mine = next === agent;
    const { body, status } = await api<CapturedLead>('/inquiries', 'POST', {
      person: mine ? person : { first_name: 'Turn', last_name: 'Taker', emails: [`turn${Date.now()}${turn}@taker.example`] },
      roles: ['buyer'],
      source: 'Coastal listings portal',
      message: 'Could we see 14 Heron Lane?',
      place: { city: 'Saltmarsh', postal_code: '98741', street: '14 Heron Lane' },
      permissions: mine ? { call: true, text: true, email: true } : {},
      on_the_phone: !mine,
    });
    expect(status).toBe(201);
    if (mine) return body;
  }
  throw new Error(`${agent} never had their turn`);
}

/**
 * A page that was gone to is waited for until its buttons hear: it is drawn by the server before, and a hand is not as fast as a journey. What React has
 * taken over says so on its elements; public pages have none of it.
 */
function awaitsItsButtons(page: Page): void {
  const hear = () =>
    page.waitForFunction(
      () =>
        !document.querySelector('script[src*="/_next/"]') ||
        [...document.querySelectorAll('main button')].every((button) =>
          Object.keys(button).some((key) => key.startsWith('__reactProps')),
        ),
    );
  const [goTo, reload] = [page.goto.bind(page), page.reload.bind(page)];
  page.goto = async (...to) => {
    const response = await goTo(...to);
    await hear();
    return response;
  };
  page.reload = async (...how) => {
    const response = await reload(...how);
    await hear();
    return response;
  };
}

/** The journeys' test: no error in the console, and when all are over the activities still fold to what stands in the tables. */
export const test = base.extend<{ watched: void }, { folded: void }>({
  watched: [
    async ({ page }, use) => {
      const problems: string[] = [];
      awaitsItsButtons(page);
      page.on('pageerror', (error) => problems.push(error.message));
      page.on(
        'console',
        (message) =>
          message.type() === 'error' && !/Failed to load resource/.test(message.text()) && problems.push(message.text()),
      );
      await use();
      expect(problems).toEqual([]);
    },
    { auto: true },
  ],
  folded: [
    async ({}, use) => {
      await use();
      const { stdout, stderr } = spawnSync(process.execPath, [join(process.cwd(), 'dist-test/urraca.js'), 'verify'], {
        env: process.env,
        encoding: 'utf8',
      });
      expect(`${stdout}${stderr}`).toContain('no difference');
    },
    { auto: true, scope: 'worker', timeout: 60_000 },
  ],
});
export { expect };

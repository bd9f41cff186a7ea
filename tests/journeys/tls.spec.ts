/** Behind a proxy that ends TLS: logging in with its cookie, live events, redirects, tracking links, public pages, unsubscribing by one click. */
import { createHmac } from 'node:crypto';
import pg from 'pg';
import { request as client } from '@playwright/test';
import { advance, api, expect, leadFor, received, test, type CapturedLead } from './fixtures';

const SECURE = process.env.TLS_URL ?? 'https://127.0.0.1:3443';
test.use({ ignoreHTTPSErrors: true, baseURL: SECURE });

test('logging in, what it sets, what comes live, and logging out', async ({ page, context }) => {
  await page.goto('/');
  await expect(page).toHaveURL(`${SECURE}/login`);
  await page.getByLabel('Email').fill('agent1@urraca.example');
  await page.getByLabel('Password').fill('urraca-demo');
  await page.getByRole('button', { name: 'Log in', exact: true }).click();
  await expect(page).toHaveURL(`${SECURE}/today`);
  await page.locator('[data-keys="heard"]').waitFor();
  const session = (await context.cookies()).find(({ name }) => name === '__Host-urraca_session');
  expect(session).toMatchObject({ secure: true, httpOnly: true, sameSite: 'Lax' });
  expect((await page.request.get('/login')).headers()['strict-transport-security']).toContain('max-age=31536000');
  /* What is only tried out is kept by nobody, with a login as with a key. */
  const tried = await page.evaluate(async () => {
    const answer = await fetch('/api/v1/inquiries?sandbox=true', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ person: { emails: ['only-tried@proxy.example'] } }),
    });
    return { status: answer.status, body: (await answer.json()) as { sandbox?: boolean } };
  });
  expect(tried).toMatchObject({ status: 200, body: { sandbox: true } });
  expect((await api<{ items: unknown[] }>('/contacts?q=only-tried@proxy.example&limit=1')).body.items).toEqual([]);
  await leadFor('Asta Lund', { first_name: 'Behind', last_name: 'Proxy', emails: ['behind@proxy.example'], phones: [] });
  await expect(page.getByText(/^New lead: /)).toBeVisible({ timeout: 5_000 });
});

test('public pages, and unsubscribing by the page and by one click', async () => {
  const outside = await client.newContext({ ignoreHTTPSErrors: true, baseURL: SECURE });
  expect((await outside.get('/p/lantern-county')).status()).toBe(200);
  expect((await outside.get('/p/homes')).status()).toBe(200);
  const { body } = await api<{ items: { id: string; emails: string[] }[] }>('/contacts?q=behind@proxy.example&limit=1');
  const contact = body.items[0]!;
  await api(`/contacts/${contact.id}/messages`, 'POST', { channel: 'email', subject: 'Hello', text: 'Hello.' });
  await expect.poll(async () => (await received('behind@proxy.example')).length).toBeGreaterThan(0);
  const mail = (await received('behind@proxy.example')).at(-1)!;
  const path = /\/u\/[\w.-]+/.exec(mail.body)![0];
  const page = await outside.get(path);
  expect([page.status(), await page.text()]).toEqual([200, expect.stringContaining('Unsubscribe?')]);
  const clicked = await outside.post(path, { form: { 'List-Unsubscribe': 'One-Click' } });
  expect([clicked.status(), await clicked.text()]).toEqual([200, 'You’re unsubscribed.\n']);
  expect(await (await outside.get(path)).text()).toContain('You’re unsubscribed');
  expect((await outside.post('/u/forged', { form: { 'List-Unsubscribe': 'One-Click' } })).status()).toBe(404);
  await outside.dispose();
});

const snapshot = async (sql: string, bind: unknown[]): Promise<string> => {
  const tables = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await tables.connect();
  try {
    return (await tables.query<{ value: string }>(sql, bind)).rows[0]!.value;
  } finally {
    await tables.end();
  }
};

/** The tokens that stand in the formatted version of their last mail, which the simulated mailboxes do not keep. */
async function tokensTo(contactId: string, url: string): Promise<{ link: string; open: string }> {
  const message = await snapshot(`select max(id)::text as value from outbox where contact_id = $1 and channel = 'email'`, [
    contactId,
  ]);
  const link = await snapshot('select id::text as value from links where url = $1', [url]);
  const signed = (purpose: string, value: string): string =>
    `${value}.${createHmac('sha256', process.env.URRACA_SECRET!).update(`${purpose}:${value}`).digest('base64url').slice(0, 22)}`;
  return { link: signed('link', `${message}-${link}`), open: signed('open', message) };
}

test('a tracked link leads on and is noted; the picture of an opened mail is given out', async () => {
  const outside = await client.newContext({ ignoreHTTPSErrors: true, baseURL: SECURE });
  const { body: lead } = await api<CapturedLead>('/inquiries', 'POST', {
    person: { first_name: 'Tracked', emails: ['tracked@proxy.example'] },
    permissions: { email: true },
  });
  const home = 'https://homes.example/14-heron-lane';
  const { body: broadcast } = await api<{ id: string }>('/broadcasts', 'POST', {
    channel: 'email',
    name: 'Behind the proxy',
    words: { subject: 'A home', text: `See ${home}`, plain: `See ${home}` },
    selection: { ids: [lead.contact.id] },
  });
  expect((await api(`/broadcasts/${broadcast.id}/start`, 'POST')).status).toBeLessThan(300);
  await expect
    .poll(async () => (await advance('PT12H'), (await received('tracked@proxy.example')).map(({ subject }) => subject)))
    .toContain('A home');
  const { link, open } = await tokensTo(lead.contact.id, home);
  const answer = await outside.get(`/l/${link}`, { maxRedirects: 0 });
  expect([answer.status(), answer.headers().location]).toEqual([302, home]);
  const { body: timeline } = await api<{ items: { kind: string }[] }>(`/contacts/${lead.contact.id}/timeline`);
  expect(timeline.items.map(({ kind }) => kind)).toContain('clicked');
  const picture = await outside.get(`/o/${open}`);
  expect([picture.status(), picture.headers()['content-type']]).toEqual([200, 'image/gif']);
  expect(await snapshot('select opens::text as value from outbox where id = $1', [open.split('.')[0]])).not.toBe('0');
  await outside.dispose();
});

test('only a named proxy says who asks', async () => {
  const outside = await client.newContext({ ignoreHTTPSErrors: true, baseURL: SECURE });
  const ask = async (n: number): Promise<number> => {
    const headers = { 'x-forwarded-for': `10.0.0.${n % 250}`, 'x-urraca-client': `10.0.1.${n % 250}` };
    return (await outside.post('/in/nobody', { data: {}, headers })).status();
  };
  /* The limit is counted by the minute, of which one may end while it is filled; the next is full then. */
  let status = 0;
  for (let n = 0; n < 260 && status !== 429; n += 1) status = await ask(n);
  expect(status).toBe(429);
  await outside.dispose();
});

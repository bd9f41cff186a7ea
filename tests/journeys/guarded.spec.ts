/** Who may do what: every operation of the API walked for every role, with ids of others; sessions, other sites, headers. */
import { BASE, api, expect, logIn, test } from './fixtures';
import type { BrowserContext } from '@playwright/test';
import { createHash } from 'node:crypto';
import pg from 'pg';
import type { OperationId } from '@/app/_http/operations';
import { NO_PLAN } from '@/core/campaigns';
import { answersIn, type ApiDocument } from './answers';

const BODIES: Partial<Record<OperationId, unknown>> = {
  updateCampaign: { name: 'mine' },
  changePassword: { current_password: 'not this one', new_password: 'gulls over cold porridge' },
  saveCampaignPlan: { plan: NO_PLAN, seen: '1' },
  previewCampaignPlan: { plan: NO_PLAN },
  orderCampaignRehearsal: { plan: NO_PLAN },
  enrollContact: { campaign_id: '1' },
  holdContactCampaigns: { held: true },
  setAddresses: { phones: [] },
  setPinnedNote: { note_id: null },
  judgeRefusal: { ends: true },
  updateContact: { horizon: 'hot' },
  addNote: { text: 'not mine' },
  sendMessage: { channel: 'email', text: 'not mine' },
  setNextTouch: { at: null },
  reportActivity: { kind: 'visit' },
  setPermission: { channel: 'email', state: 'withdrawn' },
  updateCall: { note: 'not mine' },
  setUserAway: { until: null },
  updateSettings: { conversation_seconds: 60 },
  createKey: { name: 'mine', scopes: ['contacts:read'] },
  createInquiry: { person: {} },
  advance: { by: 'PT0S' },
  createSegment: { name: 'not mine', tree: { on: 'nonsense', how: 'known' } },
  updateSegment: { name: 'not mine' },
  setShelf: { segments: [] },
  setPreferences: { contacts_grid: {} },
  createTag: { name: ' ' },
  updateTag: { name: 'not mine' },
  previewChange: { selection: { ids: ['1'] }, change: { kind: 'owner', owner_id: '1' } },
  createChange: { selection: { ids: ['1'] }, change: { kind: 'owner', owner_id: '1' } },
  updateImport: { options: {} },
  createField: { name: 'not mine', kind: 'text' },
  updateField: { name: 'not mine' },
  updateStage: { key: 'new', name: 'not mine' },
  updateHorizon: { key: 'hot', name: 'not mine' },
  declareDifferent: { one_id: '1', other_id: '2' },
  mergeContacts: { other_id: '1' },
  splitContact: { first_name: 'Not mine' },
  sayWhose: { contact_id: '1' },
  joinHousehold: { other_id: '1' },
  createExport: { format: 'csv', selection: { ids: [] } },
  createDoor: { name: 'not mine' },
  updateDoor: { name: 'not mine' },
  readDoorBody: { body: {} },
  mergeSources: { into_id: '2' },
  createPage: { kind: 'form', name: 'not mine' },
  updatePage: { name: 'not mine' },
  setBaseMap: { type: 'FeatureCollection', features: [] },
  convertLeadMail: { person: {} },
  teachLeadMail: { marks: [{ field: 'name', text: 'x' }] },
  updateLeadMail: { state: 'set_aside' },
  deactivateUser: { change: { kind: 'hand_on', roster_id: null } },
  saveLadder: { version: '1', rungs: [] },
  restoreLadder: { version: '1' },
  createRoster: { name: 'not mine', safety_net_id: '1' },
  updateRoster: { name: 'not mine' },
  answerInvitation: { accept: true },
  orderRehearsal: { ladder: { rungs: [] } },
  updateSender: { own_door: true },
  createTemplate: { channel: 'text', name: 'their own', words: { text: 'x', plain: 'x' } },
  updateTemplate: { name: 'not mine' },
  checkTemplate: { channel: 'text', words: { text: 'x', plain: 'x' } },
  sendTrial: { trials: [] },
  createAbTest: { name: 'not mine', template_ids: ['1', '2'] },
  endAbTest: { winner_id: null },
  previewReach: { channel: 'text', selection: {} },
  createBroadcast: { channel: 'text', name: 'their own', selection: {} },
  updateBroadcast: { name: 'not mine' },
  orderPrint: { what: 'letters' },
  markRead: { read: true },
  setMailConnection: { host: '127.0.0.1', port: 9, from_address: 'not@mine.example' },
  updateUser: { role: 'admin' },
  createOffice: { name: 'Not mine' },
  renameOffice: { name: 'Not mine' },
  confirmPassword: { password: 'not theirs' },
  confirmTotp: { code: '000000' },
  savePasskey: { name: 'not mine', response: { id: 'x' } },
  createCustomRole: { name: 'Not mine', base: 'agent', rights: [] },
  updateCustomRole: { name: 'Not mine' },
  createTeam: { name: 'Not mine', member_ids: [] },
  updateTeam: { name: 'Not mine', member_ids: [] },
  updateProfile: { title: 'not mine' },
  setLenders: { lender_ids: [] },
  createSource: { name: 'Not mine' },
  createWebhook: { url: 'https://not.mine.example/', events: ['note.added'] },
  updateWebhook: { on: false },
  copyRungToSources: { source_ids: ['1'] },
  inviteUser: { email: 'not@mine.example', role: 'admin', by: 'link' },
};
/** What a path asks for beside its id. */
const QUERIES: Partial<Record<OperationId, string>> = {
  listBroadcastPeople: '?what=sent',
  readPrint: '?what=letters',
  uploadFile: '?name=x.txt',
};
/** What only those who run the office do. */
const OFFICE =
  /Key|Webhook|CustomRole|(create|update|delete)Team|Deliver|Stuck|Audit|MailConnection|Start$|UserInvitations|inviteUser|createOffice|importListings|restoreListings|setBaseMap|createPage|listPages|(list|create)Source|copyRung|listSenders|updateSettings|saveLadder|Versions|restoreLadder|createRoster|orderRehearsal|(create|update|delete)(Field|Stage|Horizon)/;
/** What a caller who sees all contacts may do to them. */
const CONTACTS =
  /^\/(contacts|activities|calls|enroll?ments|inquiries|offers|merges|duplicates|changes|exports|imports|campaigns|segments)/;
/** What lenders may ask, beside the contacts that they are attached to. */
const LENDERS = new Set<OperationId>([
  'listContacts',
  'countContacts',
  'getPreferences',
  'setPreferences',
  'getWire',
  'getSimulation',
  'getVocabulary',
  'listSegments',
  'getSegment',
  'listTags',
  'listFields',
  'listStages',
  'listHorizons',
  'listSessions',
  'endOtherSessions',
  'endSession',
  'changePassword',
  'getProfile',
  'updateProfile',
  'getLoginSecurity',
  'confirmPassword',
  'beginTotp',
  'confirmTotp',
  'removeTotp',
  'renewRecoveryCodes',
  'beginPasskey',
  'savePasskey',
  'removePasskey',
]);
/** Account-wide things that hold no contact, so that one’s own role alone decides. */
const COMMON = new Set<OperationId>(['getCampaign', 'getTemplate', 'getSegment', 'getListing', 'orderCampaignRehearsal']);

const cookieOf = async (context: BrowserContext): Promise<string> =>
  (await context.cookies()).map(({ name, value }) => `${name}=${value}`).join('; ');

/** Works on the tables themselves, for what no page makes: another brokerage, a session without its password. */
async function withTables<T>(work: (run: (sql: string, bind?: unknown[]) => Promise<string>) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await client.connect();
  try {
    return await work(async (sql, bind = []) => String((await client.query<{ id: string }>(sql, bind)).rows[0]?.id));
  } finally {
    await client.end();
  }
}

/** A new person with a session. @returns the cookie */
const personWith = (account: string, role: string, email: string): Promise<string> =>
  withTables(async (run) => {
    const id = await run(
      `insert into users (account_id, role, first_name, last_name, email, time_zone, password_hash) values ($1, $2, 'New', 'Person', $3, 'America/Los_Angeles', 'none')
       on conflict (email) do update set active = true returning id`,
      [account, role, email],
    );
    const token = `session of ${email} ${Math.random()}`;
    await run(`insert into sessions (token_hash, user_id, expires_at) values ($1, $2, now() + interval '1 hour')`, [
      createHash('sha256').update(token).digest(),
      id,
    ]);
    return `urraca_session=${encodeURIComponent(token)}`;
  });

/** Rows of kinds that the demo world has none of. */
const strangeRows = (contact: string, other: string) =>
  withTables(async (run) => ({
    leadMail: await run(
      `insert into lead_mails (account_id, door_id, message_id, from_address, from_name, subject, body, read, state, arrived_at)
       values (1, (select min(id) from doors where account_id = 1 and kind = 'mail'), $1, 'o@b.example', '', 'Hello', 'Hello', '{"kind": "needs-a-person", "because": "", "emails": [], "phones": [], "roles": [], "source": "Email"}', 'waiting', now()) returning id`,
      [`walked ${Math.random()}`],
    ),
    sender: await run(
      `insert into senders (account_id, door_id, domain, name, state, first_at) values (1, (select min(id) from doors where account_id = 1 and kind = 'mail'), $1, 'x', 'proposed', now()) returning id`,
      [`d${Math.random()}.example`],
    ),
    sourceMerge: await run(
      `with s as (insert into sources (account_id, name, key, state, first_at) values (1, 'a', 'a' || random(), 'known', now()), (1, 'b', 'b' || random(), 'known', now()) returning id)
       insert into source_merges (account_id, from_id, into_id, moved, at) select 1, min(id), max(id), '[]', now() from s returning id`,
    ),
    schedule: await run(
      `insert into export_schedules (account_id, user_id, name, format, question, every, day, at, zone, email, next_at, made_at)
       select 1, owner_id, 'x', 'csv', '{}', 'day', 1, '09:00', 'America/Los_Angeles', false, now() + interval '90 days', now() from contacts where id = $1 returning id`,
      [contact],
    ),
    invitation: await run(
      `insert into user_invitations (account_id, email, role, invited_by, ends_at) values (1, $1, 'agent', (select min(id) from users where account_id = 1), now() + interval '1 day') returning id`,
      [`invited${Math.random()}@urraca.example`],
    ),
    customRole: await run(
      `insert into custom_roles (account_id, name, base, rights) values (1, 'r' || random(), 'agent', '{}') returning id`,
    ),
    team: await run(`insert into teams (account_id, name) values (1, 't' || random()) returning id`),
    webhook: await run(
      `insert into webhooks (account_id, url, events, secret) values (1, 'https://not.mine.example/', '{}', '') returning id`,
    ),
    delivery: await run(
      `insert into webhook_deliveries (webhook_id, event, about, state) select max(id), 'note.added', '{}', 'failed' from webhooks returning id`,
    ),
    session: await run(
      `insert into sessions (token_hash, user_id, expires_at) select sha256(random()::text::bytea), owner_id, now() + interval '1 day' from contacts where id = $1 returning id`,
      [contact],
    ),
    merge: await run(
      `insert into merges (account_id, kept_id, gone_id, before, moved, at, undone_at) values (1, $1, $2, '{}', '{}', now(), now()) returning id`,
      [contact, other],
    ),
  }));

test('no operation lets an agent, a caller, a lender, another brokerage or nobody at what is not theirs', async ({ browser }) => {
  test.setTimeout(240_000);
  const document = (await (await fetch(`${BASE}/api/v1/openapi.json`)).json()) as ApiDocument;
  const { paths } = document;
  const untrue = answersIn(document);
  const { body: all } = await api<{ items: { id: string; owner: { name: string }; calls: { attempts: number } }[] }>(
    '/contacts?limit=200',
  );
  const strange = all.items.find(({ owner, calls }) => owner.name === 'Sabine Okoro' && calls.attempts > 0)!;
  const rows = await strangeRows(strange.id, all.items.find(({ id }) => id !== strange.id)!.id);
  const { body: timeline } = await api<{ items: { id: string; kind: string; data: { callId?: string } }[] }>(
    `/contacts/${strange.id}/timeline`,
  );
  const { body: inquiries } = await api<{ items: { id: string; contact: { id: string }; agent: { name: string } | null }[] }>(
    '/inquiries?limit=200',
  );
  const { body: offers } = await api<{ items: { id: string; agent: { name: string } | null }[] }>('/offers');
  const { body: enrollments } = await api<{ items: { id: string }[] }>(`/contacts/${strange.id}/enrollments`);
  const { body: segment } = await api<{ id: string }>('/segments', 'POST', {
    name: 'The office’s',
    tree: { all: [] },
    team: true,
  });
  const { body: change } = await api<{ id: string }>('/changes', 'POST', {
    selection: { ids: [strange.id] },
    change: { kind: 'roles', add: ['buyer'], remove: [] },
  });
  const { body: imported } = await api<{ id: string }>('/imports?name=x.csv', 'POST');
  const { body: exported } = await api<{ id: string }>('/exports', 'POST', { format: 'csv', selection: { ids: [strange.id] } });
  const { body: ladderRehearsal } = await api<{ id: string }>('/rehearsals', 'POST', { ladder: { rungs: [] } });
  const { body: rehearsal } = await api<{ id: string }>('/campaigns/1/rehearsals', 'POST', { plan: NO_PLAN });
  const words = { text: 'Hello from {{ brokerage }}.', plain: 'Hello from {{ brokerage }}.' };
  const made = async (name: string) =>
    (await api<{ id: string }>('/templates', 'POST', { channel: 'text', name, words })).body.id;
  const [template, second] = [await made('The office’s'), await made('Another of the office’s')];
  const { body: abTest } = await api<{ id: string }>('/ab-tests', 'POST', {
    name: 'Both',
    template_ids: [template, second],
  });
  const { body: broadcast } = await api<{ id: string }>('/broadcasts', 'POST', {
    channel: 'text',
    name: 'The office’s',
    words,
    selection: { ids: [strange.id] },
  });
  const ids: [RegExp, string][] = [
    [/^\/templates/, template],
    [/^\/(ab-tests|challenges)/, abTest.id],
    [/^\/broadcasts/, broadcast.id],
    [/^\/senders/, rows.sender],
    [/^\/campaign-rehearsals/, rehearsal.id],
    [/^\/contacts/, strange.id],
    [/^\/offers/, offers.items.find(({ agent }) => agent?.name === 'Sabine Okoro')!.id],
    [/^\/rehearsals/, ladderRehearsal.id],
    [/^\/(rosters|invitations)/, '1'],
    [/^\/inquiries/, inquiries.items.find(({ agent }) => agent?.name === 'Sabine Okoro')!.id],
    [/^\/calls/, timeline.items.find(({ kind, data }) => kind === 'call' && data.callId)!.data.callId!],
    [/^\/enroll?ments/, enrollments.items[0]?.id ?? '1'],
    [/^\/user-invitations/, rows.invitation],
    [/^\/(users|people|offices)/, '1'],
    [/^\/(keys|campaigns)/, '1'],
    [/^\/segments/, segment.id],
    [/^\/tags/, '1'],
    [/^\/changes/, change.id],
    [/^\/imports/, imported.id],
    [/^\/fields/, '1'],
    [/^\/merges/, rows.merge],
    [/^\/activities/, timeline.items[0]!.id],
    [/^\/sessions/, rows.session],
    [/^\/exports/, exported.id],
    [/^\/export-schedules/, rows.schedule],
    [/^\/doors/, '5'],
    [/^\/lead-mails/, rows.leadMail],
    [/^\/listings/, '1'],
    [/^\/pages/, '7'],
    [/^\/source-merges/, rows.sourceMerge],
    [/^\/sources/, '1'],
    [/^\/(passkeys|rungs)/, '1'],
    [/^\/custom-roles/, rows.customRole],
    [/^\/teams/, rows.team],
    [/^\/webhooks/, rows.webhook],
    [/^\/webhook-deliveries/, rows.delivery],
  ];
  const walked: string[] = [];
  const wrong: string[] = [];
  const told: string[] = [];
  for (const [path, { get }] of Object.entries(paths)) {
    if (!get) continue;
    const own = path.replace('{id}', () => ids.find(([pattern]) => pattern.test(path))![1]);
    const id = get.operationId.replace(/Before$/, '') as OperationId;
    const { status, body } = await api(`${own}${QUERIES[id] ?? ''}`);
    told.push(...untrue(id, status, body).map((what) => `${id}: ${what}`));
  }
  const elsewhere = await withTables((run) =>
    run(`insert into accounts (name, time_zone) values ('Another brokerage', 'America/Los_Angeles') returning id`),
  );
  const cookies: Record<string, () => Promise<string>> = {
    'a caller without an office': () => personWith('1', 'caller', 'nowhere@urraca.example'),
    'an owner elsewhere': () => personWith(elsewhere, 'owner', 'owner@elsewhere.example'),
  };
  const everybody = ['agent1', 'caller', 'lender', ...Object.keys(cookies), null];
  for (const who of everybody) {
    const context = await browser.newContext();
    if (who && !cookies[who]) await logIn(await context.newPage(), who);
    const cookie = !who ? '' : cookies[who] ? await cookies[who]() : await cookieOf(context);
    for (const [path, methods] of Object.entries(paths)) {
      for (const [method, { operationId: named }] of Object.entries(methods)) {
        const label = `${who ?? 'nobody'} ${named}`;
        /* An earlier path asks for what the one of today asks for. */
        const operationId = named.replace(/Before$/, '') as OperationId;
        walked.push(label);
        /* Without an office a caller calls whomever the brokerage has, and might do all of this by right. */
        if (who === 'a caller without an office' && CONTACTS.test(path)) continue;
        const own = path.replace('{id}', () => ids.find(([pattern]) => pattern.test(path))![1]);
        const { status, body } = await api(`${own}${QUERIES[operationId] ?? ''}`, method.toUpperCase(), BODIES[operationId], {
          cookie,
          origin: BASE,
        });
        const right = (): boolean => {
          if (!who) return status === 401;
          if (path.includes('{id}') && (who === 'an owner elsewhere' || !COMMON.has(operationId)))
            return [403, 404].includes(status);
          if (who === 'lender' && !LENDERS.has(operationId)) return status === 403;
          return who !== 'an owner elsewhere' && OFFICE.test(operationId) ? status === 403 : status < 500;
        };
        if (!right()) wrong.push(`${label}: ${status}`);
        told.push(...untrue(operationId, status, body).map((what) => `${label}: ${what}`));
      }
    }
    if (who && !cookies[who])
      for (const page of [`/contacts/${strange.id}`, '/setup'])
        expect([who, page, (await fetch(`${BASE}${page}`, { headers: { cookie }, redirect: 'manual' })).status]).toEqual([
          who,
          page,
          404,
        ]);
    await context.close();
  }
  expect(wrong).toEqual([]);
  expect(told).toEqual([]);
  expect(walked.length).toBe(
    everybody.length * Object.values(paths).reduce((sum, methods) => sum + Object.keys(methods).length, 0),
  );
});

test('an agent’s lists and reports hold their own people only', async ({ browser }) => {
  const context = await browser.newContext();
  await logIn(await context.newPage(), 'agent1');
  const headers = { cookie: await cookieOf(context), origin: BASE };
  const contacts = await api<{ items: { owner: { name: string } }[]; total: number }>(
    '/contacts?limit=200',
    'GET',
    undefined,
    headers,
  );
  expect(new Set(contacts.body.items.map(({ owner }) => owner.name))).toEqual(new Set(['Asta Lund']));
  const inquiries = await api<{ items: { agent: { name: string } }[] }>('/inquiries?limit=200', 'GET', undefined, headers);
  expect(new Set(inquiries.body.items.map(({ agent }) => agent.name))).toEqual(new Set(['Asta Lund']));
  const offers = await api<{ items: { agent: { name: string } }[] }>('/offers', 'GET', undefined, headers);
  expect(new Set(offers.body.items.map(({ agent }) => agent.name))).toEqual(new Set(['Asta Lund']));
  const results = await api<{ rows: { agent: { name: string } | null }[] }>('/results', 'GET', undefined, headers);
  expect(results.body.rows.map(({ agent }) => agent?.name ?? null)).toEqual([null, 'Asta Lund']);
  const other = await api<{ items: unknown[]; total: number }>(
    '/contacts?measure=leads&agent=8&days=180',
    'GET',
    undefined,
    headers,
  );
  expect(other.body).toMatchObject({ items: [], total: 0 });
});

test('a session is new at each login and gone at logout; another site changes nothing; the policy lets no script in', async ({
  page,
  context,
}) => {
  await logIn(page, 'agent3');
  const first = await cookieOf(context);
  await page.getByRole('button', { name: /Teo Marchetti/ }).click();
  await page.getByRole('menuitem', { name: 'Log out' }).click();
  await page.waitForURL('**/login');
  expect((await api('/wire', 'GET', undefined, { cookie: first })).status).toBe(401);
  await logIn(page, 'agent3');
  const second = await cookieOf(context);
  expect(second).not.toBe(first);
  const contact = { person: { emails: ['forged@other.example'] } };
  expect((await api('/inquiries', 'POST', contact, { cookie: second, origin: 'https://elsewhere.example' })).status).toBe(403);
  expect((await api('/inquiries', 'POST', contact, { cookie: second })).status).toBe(403);
  const headers = (await fetch(`${BASE}/login`)).headers;
  expect(headers.get('content-security-policy')).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'; style-src/);
  expect(headers.get('x-content-type-options')).toBe('nosniff');
});

test('the login is limited in rate, and says how long to wait', async ({ page }) => {
  await page.goto('/login');
  const told = page.getByText(/Too many attempts\. Wait \d+ second/);
  for (let attempt = 0; attempt < 15 && !(await told.isVisible()); attempt += 1) {
    await page.getByLabel('Email').fill('agent9@urraca.example');
    await page.getByLabel('Password').fill(`wrong ${attempt}`);
    await page.getByRole('button', { name: 'Log in', exact: true }).click();
    await expect(page.getByRole('alert').first()).toBeVisible();
    await expect(page.getByRole('button', { name: 'Log in', exact: true })).toBeEnabled();
  }
  await expect(told).toBeVisible();
});

test('signed webhooks only', async () => {
  for (const hook of ['texts', 'calls'])
    expect((await fetch(`${BASE}/api/hooks/${hook}`, { method: 'POST', body: '{}' })).status).toBe(401);
});

test('a key that may write and not read is answered no contact, and exports nothing', async () => {
  const key = `writes${Math.random()}`;
  await withTables((run) =>
    run(
      `insert into api_keys (account_id, name, key_hash, hint, scopes, created_by) values (1, 'writes', $1, '…', '{contacts:write}', 1)`,
      [createHash('sha256').update(key).digest()],
    ),
  );
  const headers = { authorization: `Bearer ${key}` };
  const { body: all } = await api<{ items: { id: string }[] }>('/contacts?limit=1');
  const id = all.items[0]!.id;
  const changed = await api(`/contacts/${id}`, 'PATCH', { horizon: 'hot' }, headers);
  expect([changed.status, changed.body]).toEqual([200, { id }]);
  const note = await api<object>(`/contacts/${id}/notes`, 'POST', { text: 'by a program' }, headers);
  expect(Object.keys(note.body ?? {}).filter((name) => name !== 'id')).toEqual([]);
  const { body: made } = await api<{ id: string }>('/exports', 'POST', { format: 'csv', selection: { ids: [id] } });
  for (const [path, method, body] of [
    ['/contacts', 'GET'],
    ['/exports', 'GET'],
    [`/exports/${made.id}`, 'GET'],
    [`/exports/${made.id}/file`, 'GET'],
    ['/exports', 'POST', { format: 'csv', selection: { ids: [id] } }],
    ['/imports', 'GET'],
    ['/changes', 'GET'],
    ['/duplicates', 'GET'],
    ['/changes/preview', 'POST', { selection: { ids: [id] }, change: { kind: 'horizon', horizon: 'hot' } }],
  ] as const)
    expect([path, method, (await api(path, method, body, headers)).status]).toEqual([path, method, 403]);
});

test('a lender’s pages ask for nothing that the API refuses them', async ({ page }) => {
  const refused: string[] = [];
  page.on('response', (response) => {
    if (response.url().includes('/api/') && response.status() >= 400) refused.push(`${response.status()} ${response.url()}`);
  });
  await logIn(page, 'lender');
  await page.goto('/contacts');
  await page.getByRole('row').nth(2).click();
  await expect(page.getByRole('article')).toContainText('Timeline');
  await page.waitForLoadState('networkidle').catch(() => undefined);
  expect(refused).toEqual([]);
});

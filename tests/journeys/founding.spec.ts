/** A brokerage of one's own, from an empty machine: `npm start`, founded, two agents in, a lead source with test leads, contacts in, a campaign read and on. */
import { spawn, type ChildProcess } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test, type Browser, type Page } from '@playwright/test';
import { expectClean } from './axe';

const ROOT = join(import.meta.dirname, '..', '..');
const home = join(ROOT, '.urraca', 'test', 'brokerage');
const PORTS = { PORT: '3150', MAIL_DOOR_PORT: '2575', PGPORT: '55439' };
const BASE = `http://127.0.0.1:${PORTS.PORT}`;
const PASSWORD = 'gulls over cold porridge';

/** What runs beside the demo world: nothing of that world's environment is handed to it. */
function start(): { child: ChildProcess; said: () => string } {
  const { PATH, HOME, USER } = process.env;
  const env = { PATH, HOME, USER, ...PORTS, URRACA_HOME: home, URRACA_DIST: 'dist-test', NEXT_DIST_DIR: '.next-test' };
  const child = spawn(process.execPath, [join(ROOT, 'scripts', 'start.mjs')], {
    env: env as unknown as NodeJS.ProcessEnv,
    cwd: '/',
  });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (part: Buffer) => (said += part.toString()));
  return { child, said: () => said };
}
const ended = (child: ChildProcess): Promise<number | null> =>
  new Promise((resolve) => {
    child.once('exit', (code) => resolve(code));
    child.kill('SIGINT');
  });

let running: ReturnType<typeof start>;
test.beforeAll(async () => {
  rmSync(home, { recursive: true, force: true });
  running = start();
  await expect.poll(() => running.said(), { timeout: 90_000 }).toContain('Urraca is ready at');
});
test.afterAll(async () => {
  expect(await ended(running.child)).toBe(0);
});

/** Until its buttons hear. */
const goto = async (page: Page, path: string): Promise<void> => {
  await page.goto(`${BASE}${path}`);
  await page.locator('[data-keys="heard"]').waitFor();
};

/** Invites somebody to everyone's roster and takes the link on a phone. */
async function joins(page: Page, browser: Browser, name: string): Promise<Page> {
  await goto(page, '/setup/office');
  await page.getByRole('button', { name: 'Invite people' }).click();
  const invite = page.getByRole('dialog', { name: 'Invite people' });
  await invite.getByRole('textbox', { name: 'Email' }).fill(`${name.toLowerCase()}@ostby.example`);
  await invite.getByLabel('Roster').selectOption('Everyone');
  await invite.getByLabel('Give me a link to pass on').check();
  await invite.getByRole('button', { name: 'Invite', exact: true }).click();
  const link = await page.getByText(/\/join\//).innerText();
  const agent = await (await browser.newContext({ viewport: { width: 390, height: 800 } })).newPage();
  await agent.goto(link);
  await expect(agent.getByText('Maren Ostby invited you.')).toBeVisible();
  await expectClean(agent, 'joining, on a phone');
  await agent.getByLabel('First name').fill(name);
  await agent.getByLabel('Choose a password').fill('lanterns beside the quay');
  await agent.keyboard.press('Enter');
  await expect(agent).toHaveURL(/\/today$/);
  await agent.goto(link);
  await expect(agent.getByRole('heading', { name: 'This invitation no longer works' })).toBeVisible();
  await goto(agent, '/today');
  return agent;
}

test('from nothing to routed leads, two agents, contacts and a campaign', async ({ page, browser }) => {
  test.setTimeout(180_000);
  expect(running.said()).toMatch(/Not connected yet[\s\S]*SMTP_URL/);
  const code = /One-time code\s+(\S+)/.exec(running.said())![1]!;

  await page.goto(BASE);
  await expect(page).toHaveURL(/\/welcome$/);
  await expectClean(page, 'founding');
  await page.getByLabel('One-time code').fill('AAAA-BBBB-CCCC');
  await page.getByLabel('Brokerage or team name').fill('Ostby Homes');
  await page.getByRole('combobox', { name: 'States you’re licensed in' }).fill('washing');
  await page.keyboard.press('Enter');
  await page.getByLabel('Your first name').fill('Maren');
  await page.getByLabel('Last name').fill('Ostby');
  await page.getByLabel('Your email').fill('maren@ostby.example');
  await page.getByLabel('Password', { exact: true }).fill(PASSWORD);
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('One-time code')).toHaveAccessibleDescription(/isn’t right/);
  await page.getByLabel('One-time code').fill(code.toLowerCase());
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Start', level: 1 })).toBeVisible();
  await expect(page.getByText('6 of 6 to go.')).toBeVisible();

  /* Two who get leads, each by a link that is passed on, on their phones. */
  const nils = await joins(page, browser, 'Nils');
  await expectClean(nils, 'the first Today, on a phone');
  const odile = await joins(page, browser, 'Odile');

  /* A lead source, and test leads until both have one. */
  await goto(page, '/setup/sources');
  await page.getByRole('button', { name: 'Add a door for programs' }).click();
  await page.getByRole('dialog').getByLabel('Who sends these leads').fill('Our website');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/\/in\//).first()).toBeVisible();
  await goto(page, '/setup/start');
  await page.getByRole('button', { name: 'Send a test lead' }).click();
  const dialog = page.getByRole('dialog', { name: 'Send a test lead' });
  await dialog.getByRole('button', { name: 'Send test lead' }).click();
  await expect(dialog.getByRole('status')).toContainText('It went to Maren Ostby.');
  await dialog.getByRole('button', { name: 'Send another' }).click();
  await expect(dialog.getByRole('status')).toContainText('It went to Nils.');
  await dialog.getByRole('button', { name: 'Send another' }).click();
  await expect(dialog.getByRole('status')).toContainText('It went to Odile.');
  for (const agent of [nils, odile]) {
    await goto(agent, '/today');
    await expect(agent.getByText('Test Lead').first()).toBeVisible();
  }
  await page.keyboard.press('Escape');

  /* Contacts come in. */
  await goto(page, '/contacts/import');
  await page.getByLabel('File of contacts').setInputFiles({
    name: 'sphere.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('First name,Last name,Email\nOda,Brandvold,oda@sphere.example\nJago,Penhallow,jago@sphere.example\n'),
  });
  await page.getByRole('button', { name: 'Import 2 contacts' }).click();
  await expect(page.getByText('2 new')).toBeVisible();

  /* The address that marketing email must show, then a first campaign. */
  await goto(page, '/setup/guardrails');
  await page.getByLabel('Office mailing address').fill('1 Harbor Row, Quillhaven, WA 98701');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved. It applies from the next touch on.')).toBeVisible();
  await goto(page, '/campaigns');
  await page
    .getByRole('row', { name: /New buyer/ })
    .getByRole('button', { name: 'On' })
    .click();
  await expect(page.getByRole('region', { name: 'In progress' }).getByText('New buyer')).toBeVisible();
  await goto(page, '/setup/start');
  await expect(page.getByText('1 of 6 to go.')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Connect email' })).toBeVisible();

  await page.goto(`${BASE}/welcome`);
  await expect(page.getByRole('heading', { name: 'Urraca is set up already' })).toBeVisible();
  for (const agent of [nils, odile]) await agent.context().close();
});

/** Getting in: two steps and passkeys; a forgotten password is replaced by the link that was mailed, once; devices are seen and logged out; a password is changed. */
import { generateSync } from 'otplib';
import { expect, received, test } from './fixtures';

const BASE_URL = process.env.BASE_URL ?? 'http://127.0.0.1:3100';

const EMAIL = 'agent9@urraca.example';
const FIRST = 'gulls over cold porridge';
const SECOND = 'lanterns beside the quay';

test('a forgotten password, by keyboard; the other device is logged out; the password is changed', async ({ page, browser }) => {
  await page.goto('/login');
  await page.getByRole('link', { name: 'Forgot your password?' }).click();
  await expect(page.getByRole('heading', { name: 'Forgot your password?' })).toBeVisible();
  await page.getByLabel('Email').fill('nobody@urraca.example');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status')).toContainText('If nobody@urraca.example has a login here');
  await page.goto('/forgot');
  await page.getByLabel('Email').fill(EMAIL);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status')).toContainText(`If ${EMAIL} has a login here`);
  const link = async () => (await received(EMAIL)).map(({ body }) => /\/reset\/\S+/.exec(body)?.[0]).find(Boolean) ?? '';
  await expect.poll(link).toContain('/reset/');
  expect(await received('nobody@urraca.example')).toEqual([]);

  const reset = await link();
  await page.goto(reset);
  await expect(page.getByText(`For ${EMAIL}.`)).toBeVisible();
  await page.getByLabel('New password').fill('password123');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('New password')).toHaveAccessibleDescription(/first passwords people try/);
  await page.getByLabel('New password').fill(FIRST);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status')).toContainText('Your password is changed. Log in with it.');
  await page.goto(reset);
  await expect(page.getByRole('heading', { name: 'This link no longer works' })).toBeVisible();

  const enter = async (on: typeof page, password: string) => {
    await on.goto('/login');
    await on.getByLabel('Email').fill(EMAIL);
    await on.getByLabel('Password').fill(password);
    await on.keyboard.press('Enter');
    await on.locator('[data-keys="heard"]').waitFor();
  };
  await enter(page, FIRST);
  const other = await (await browser.newContext()).newPage();
  await enter(other, FIRST);

  await page.getByRole('button', { name: /: setup, days off, log out$/ }).click();
  await page.getByRole('menuitem', { name: 'Login and security' }).click();
  const dialog = page.getByRole('dialog', { name: 'Login and security' });
  await expect(dialog.getByText('This device')).toBeVisible();
  await dialog.getByRole('button', { name: /^Log out Chrome/ }).click();
  await expect(dialog.getByRole('button', { name: /^Log out Chrome/ })).toHaveCount(0);
  await other.reload();
  await expect(other).toHaveURL(/\/login/);
  await other.close();

  await dialog.getByLabel('Current password').fill('not this one');
  await dialog.getByLabel('New password').fill(SECOND);
  await page.keyboard.press('Enter');
  await expect(dialog.getByLabel('Current password')).toHaveAccessibleDescription(/isn’t your current password/);
  await dialog.getByLabel('Current password').fill(FIRST);
  await page.keyboard.press('Enter');
  await expect(page.getByText('Password changed. Your other devices were logged out.')).toBeVisible();
  await page.reload();
  await page.locator('[data-keys="heard"]').waitFor();
  await expect
    .poll(async () => (await received(EMAIL)).filter(({ subject }) => subject === 'Your password was changed').length)
    .toBe(2);
});

test('two steps: an app is set up, its code is asked for; a passkey takes the place of both', async ({ page, context }) => {
  /* Passkeys belong to a name, and 127.0.0.1 is none. */
  const base = `http://localhost:${new URL(BASE_URL).port}`;
  const EMAIL = 'agent8@urraca.example';
  const login = async () => {
    await page.goto(`${base}/login`);
    await page.getByLabel('Email').fill(EMAIL);
    await page.getByLabel('Password').fill('urraca-demo');
    await page.keyboard.press('Enter');
  };
  const security = async () => {
    await page.locator('[data-keys="heard"]').waitFor();
    await page.getByRole('button', { name: /: setup, days off, log out$/ }).click();
    await page.getByRole('menuitem', { name: 'Login and security' }).click();
    return page.getByRole('dialog', { name: 'Login and security' });
  };
  await login();
  const dialog = await security();
  await dialog.getByRole('button', { name: 'Set up an authenticator app' }).click();
  const secret = (await dialog.locator('code').innerText()).replaceAll(' ', '');
  await dialog.getByLabel('Six-digit code').fill(generateSync({ secret }));
  await page.keyboard.press('Enter');
  await expect(dialog.getByRole('button', { name: 'I saved them' })).toBeVisible();
  const codes = (await dialog.locator('code').innerText()).split('\n');
  expect(codes).toHaveLength(10);
  await dialog.getByRole('button', { name: 'I saved them' }).click();
  await expect(dialog.getByText(/10 recovery codes left/)).toBeVisible();

  const devtools = await context.newCDPSession(page);
  await devtools.send('WebAuthn.enable');
  await devtools.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  await dialog.getByRole('button', { name: 'Add a passkey' }).click();
  const name = page.getByRole('dialog', { name: 'Add a passkey' });
  await name.getByLabel('Name').fill('Office laptop');
  await page.keyboard.press('Enter');
  await expect(dialog.getByText('Office laptop')).toBeVisible();

  await context.clearCookies();
  await login();
  await expect(page).toHaveURL(/\/login\/code$/);
  await page.getByLabel('Code').fill('000000');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^That code isn’t right/)).toBeVisible();
  await page.getByLabel('Code').fill(codes[0]!);
  await page.keyboard.press('Enter');
  await expect((await security()).getByText(/9 recovery codes left/)).toBeVisible();

  await context.clearCookies();
  await page.goto(`${base}/login`);
  await page.getByRole('button', { name: 'Log in with a passkey' }).click();
  await page.locator('[data-keys="heard"]').waitFor();
  const told = async () => (await received(EMAIL)).map(({ subject }) => subject);
  await expect
    .poll(told)
    .toEqual(
      expect.arrayContaining(['New login to Urraca', 'Two-step login is on', 'A passkey was added', 'A recovery code was used']),
    );
});

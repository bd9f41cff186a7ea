/** Getting in: a forgotten password is replaced by the link that was mailed, once; devices are seen and logged out; a password is changed. */
import { expect, received, test } from './fixtures';

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
  await page.getByRole('menuitem', { name: 'Password and devices' }).click();
  const dialog = page.getByRole('dialog', { name: 'Password and devices' });
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

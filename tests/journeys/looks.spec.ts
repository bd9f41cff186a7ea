/** For people: light or dark holds, nothing runs over on a phone; search and time from the keyboard. */
import { chooseScheme, expectClean, expectScheme, OF_COLORS, openForAxe } from './axe';
import { advance, expect, logIn, test } from './fixtures';

/** Colors are judged at rest, not in the middle of a transition. */
test.use({ contextOptions: { reducedMotion: 'reduce' } });

test('what was chosen, light or dark, holds after the page came to life, and when it is loaded again', async ({ page }) => {
  await chooseScheme(page, 'dark');
  await logIn(page, 'admin');
  for (const view of ['/today', '/contacts', '/setup']) {
    await openForAxe(page, view);
    await page.locator('[data-keys="heard"]').waitFor();
    await expectScheme(page, 'dark');
    await expectClean(page, `${view}, loaded in the dark`, OF_COLORS);
    await expectScheme(page, 'dark');
  }
});

test('on a phone nothing runs over: the queue, one person, the public page', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 800 });
  await logIn(page, 'agent1');
  const over = () => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  await expect(page.getByRole('heading', { name: /today$/ })).toBeVisible();
  expect(await over()).toBeLessThanOrEqual(0);
  await page.locator('[data-contact]').first().click();
  await expect(page.getByRole('article')).toBeVisible();
  expect(await over()).toBeLessThanOrEqual(0);
  await page.getByRole('button', { name: 'Close contact' }).click();
  await expect(page.getByRole('article')).toBeHidden();
  for (const address of ['/p/lantern-county', '/p/open-house', '/p/homes']) {
    await page.goto(address);
    expect([address, await over()]).toEqual([address, 0]);
  }
});

test('a phone number pasted into search finds the person; j, k, Enter and Esc move about', async ({ page }) => {
  await logIn(page, 'admin');
  await page.goto('/contacts');
  await page.getByRole('row').nth(3).click();
  const name = await page.getByRole('article').getByRole('heading', { level: 1 }).textContent();
  const phone = await page
    .getByRole('article')
    .getByRole('button', { name: /^\(\d{3}\)/ })
    .first()
    .textContent();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('article')).toBeHidden();
  await page.keyboard.press('/');
  await page.keyboard.insertText(phone!);
  await expect(page.getByRole('option', { name: new RegExp(name!) })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('article', { name: `Dossier of ${name}` })).toBeVisible();
  await page.goto('/today');
  await page.locator('[data-keys="heard"]').waitFor();
  const rows = page.locator('[data-contact]');
  await expect(rows.first()).toHaveAttribute('aria-current', 'true');
  await page.keyboard.press('j');
  await expect(rows.nth(1)).toHaveAttribute('aria-current', 'true');
  await page.keyboard.press('k');
  await expect(rows.first()).toHaveAttribute('aria-current', 'true');
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/contacts\/\d+$/);
});

test('time passes from the Wire, and every page hears it', async ({ page }) => {
  await logIn(page, 'admin');
  const clock = page.getByRole('button', { name: /Move time ahead/ });
  const before = await clock.textContent();
  await clock.click();
  await page.getByRole('menuitem', { name: '+1 hour' }).click();
  await expect(page.getByText(/^Time moved ahead/)).toBeVisible();
  await expect(clock).not.toHaveText(before!);
  const then = await clock.textContent();
  await advance('P1D');
  await expect(clock).not.toHaveText(then!);
});

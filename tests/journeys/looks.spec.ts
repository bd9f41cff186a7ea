/** For people: axe finds nothing of any level on any main view, light and dark, on a desk and on a phone; nothing runs over there; search and time from the keyboard. */
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { advance, expect, logIn, test } from './fixtures';

/** Colours are judged at rest, not in the middle of a transition. */
test.use({ contextOptions: { reducedMotion: 'reduce' } });

const VIEWS = [
  '/today',
  '/intake',
  '/contacts',
  '/routing',
  '/campaigns',
  '/campaigns/2',
  '/campaigns/broadcasts',
  '/campaigns/broadcasts/1',
  '/campaigns/templates',
  '/campaigns/templates/1',
  '/campaigns/templates/3',
  '/inbox',
  '/market',
  '/market/pages',
  '/market/pages/8',
  '/results',
  '/setup/office',
  '/setup/stages',
  '/setup/tags',
  '/setup/sources',
  '/setup/guardrails',
  '/setup/keys',
];

/** In the dark the same page has other colors, and nothing else; on a phone other sizes and places, in the same colors but for the bar below. */
const OF_COLORS = ['color-contrast', 'link-in-text-block'];
const OF_SIZES = ['target-size', 'scrollable-region-focusable', 'landmark-unique', 'region'];
const html = (page: Page) => page.locator('html');

/** Judges a page in the light, and its colors in the dark as well. A public page follows the machine, which is light here. */
async function expectClean(page: Page, view: string): Promise<void> {
  const isOurs = !view.startsWith('/p/');
  if (isOurs) await expect(html(page)).toHaveAttribute('data-scheme', 'light');
  await judge(page, `${view}, light`, null);
  if (!isOurs) return;
  await expect(html(page)).toHaveAttribute('data-scheme', 'light');
  await html(page).evaluate((element) => element.setAttribute('data-scheme', 'dark'));
  await judge(page, `${view}, dark`, OF_COLORS);
  await expect(html(page)).toHaveAttribute('data-scheme', 'dark');
  await page.setViewportSize({ width: 390, height: 844 });
  await judge(page, `${view}, dark, on a phone`, view === '/today' ? [...OF_SIZES, ...OF_COLORS] : OF_SIZES);
  expect.soft([view, await runsOver(page)]).toEqual([view, 0]);
  await page.setViewportSize({ width: 1280, height: 800 });
}
/** How far a page goes beyond its edge. */
const runsOver = (page: Page) =>
  page.evaluate(() => Math.max(0, document.documentElement.scrollWidth - document.documentElement.clientWidth));
const scan = async (page: Page, view: string): Promise<void> => {
  await open(page, view);
  await expectClean(page, view);
};
const inScheme = (page: Page, value: 'light' | 'dark') =>
  page.context().addCookies([{ name: 'urraca_scheme', value, url: test.info().project.use.baseURL! }]);

test('axe finds nothing, light and dark, on a desk and on a phone', async ({ page }) => {
  test.setTimeout(300_000);
  await inScheme(page, 'light');
  for (const view of ['/login', '/p/lantern-county', '/p/open-house', '/p/homes']) await scan(page, view);
  await logIn(page, 'admin');
  for (const view of VIEWS) await scan(page, view);
  await page.goto('/contacts');
  await page.getByRole('row').nth(2).click();
  await expect(page.getByRole('article')).toContainText('Timeline');
  await expectClean(page, 'dossier');
});

test('what was chosen, light or dark, holds after the page came to life, and when it is loaded again', async ({ page }) => {
  await inScheme(page, 'dark');
  await logIn(page, 'admin');
  for (const view of ['/today', '/contacts', '/setup']) {
    await open(page, view);
    await page.locator('[data-keys="heard"]').waitFor();
    await expect(html(page)).toHaveAttribute('data-scheme', 'dark');
    await judge(page, `${view}, loaded in the dark`, OF_COLORS);
    await expect(html(page)).toHaveAttribute('data-scheme', 'dark');
  }
});

async function open(page: Page, view: string): Promise<void> {
  await page.goto(view);
  await page.waitForLoadState('load');
  await expect(page.locator('h1').first()).toBeVisible();
  /* A page shown inside the editor runs no script, so that axe cannot look into it; it is looked at by itself. */
  if (/pages\/\d|templates\/3|broadcasts\/1/.test(view)) {
    await page.locator('[data-keys="heard"]').waitFor();
    await page.locator('iframe[sandbox]').first().waitFor();
    await page.evaluate(() => document.querySelectorAll('iframe[sandbox]').forEach((frame) => frame.remove()));
  }
}

async function judge(page: Page, view: string, rules: string[] | null): Promise<void> {
  const axe = new AxeBuilder({ page });
  const { violations } = await (rules ? axe.withRules(rules) : axe).analyze();
  expect
    .soft({
      view,
      found: violations.map(
        ({ id, nodes }) => `${id}: ${nodes[0]?.html.slice(0, 160)} ${nodes[0]?.failureSummary?.slice(0, 200)}`,
      ),
    })
    .toEqual({ view, found: [] });
}

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

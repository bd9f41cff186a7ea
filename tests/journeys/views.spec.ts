/** Every main view: axe finds nothing of any level, light and dark, on a desk and on a phone, and nothing runs over there. Changes nothing, so that it may run beside the others. */
import type { Page } from '@playwright/test';
import { chooseScheme, expectClean, expectScheme, OF_COLORS, openForAxe, turnDark } from './axe';
import { expect, logIn, test } from './fixtures';

/** Colors are judged at rest, not in the middle of a transition. */
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
  '/setup/start',
  '/setup/office',
  '/setup/stages',
  '/setup/tags',
  '/setup/sources',
  '/setup/guardrails',
  '/setup/connections',
  '/setup/keys',
];

/** In the dark, and on a phone, a page has other colors, sizes and places, and is the same for the rest. */
const OF_LOOKS = ['target-size', 'scrollable-region-focusable', 'landmark-unique', 'region', ...OF_COLORS];

/** Judges a view in the light on a desk, and its looks in the dark on a phone. A public page follows the machine, which is light here. */
async function judge(page: Page, view: string): Promise<void> {
  const isOurs = !view.startsWith('/p/');
  if (isOurs) await expectScheme(page, 'light');
  await expectClean(page, `${view}, light`);
  if (!isOurs) return;
  await expectScheme(page, 'light');
  await turnDark(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await expectClean(page, `${view}, dark, on a phone`, OF_LOOKS);
  await expectScheme(page, 'dark');
  expect.soft([view, await runsOver(page)]).toEqual([view, 0]);
  await page.setViewportSize({ width: 1280, height: 800 });
}
/** How far a page goes beyond its edge. */
const runsOver = (page: Page) =>
  page.evaluate(() => Math.max(0, document.documentElement.scrollWidth - document.documentElement.clientWidth));

test('axe finds nothing, light and dark, on a desk and on a phone', async ({ page }) => {
  test.setTimeout(300_000);
  const look = async (view: string): Promise<void> => {
    await openForAxe(page, view);
    await judge(page, view);
  };
  await chooseScheme(page, 'light');
  for (const view of ['/login', '/p/lantern-county', '/p/open-house', '/p/homes']) await look(view);
  await logIn(page, 'admin');
  for (const view of VIEWS) await look(view);
  await page.goto('/contacts');
  await page.getByRole('row').nth(2).click();
  await expect(page.getByRole('article')).toContainText('Timeline');
  await judge(page, 'dossier');
});

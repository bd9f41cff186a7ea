/** Judging a page by axe, in the light and in the dark. */
import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';

/** In the dark the same page has other colors, and nothing else. */
export const OF_COLORS = ['color-contrast', 'link-in-text-block'];

/** What axe finds on a page, of any level. @param of only some rules, or all but some */
export async function found(page: Page, of: (axe: AxeBuilder) => AxeBuilder = (axe) => axe): Promise<string[]> {
  /* Only what is wrong is asked for, and in the page itself: a second page for each judgment would take longer than the judgment. */
  const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode();
  const { violations } = await of(axe).analyze();
  return violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html.slice(0, 160)} ${nodes[0]?.failureSummary?.slice(0, 200)}`);
}

/** Notes what is wrong with a page and goes on. @param rules only these */
export async function expectClean(page: Page, view: string, rules?: string[]): Promise<void> {
  expect.soft({ view, found: await found(page, (axe) => (rules ? axe.withRules(rules) : axe)) }).toEqual({ view, found: [] });
}

/** Opens a view for axe. What a page shows inside itself and runs no script cannot be looked into; it is looked at by itself. */
export async function openForAxe(page: Page, view: string): Promise<void> {
  await page.goto(view);
  await page.waitForLoadState('load');
  await expect(page.locator('h1').first()).toBeVisible();
  if (/pages\/\d|templates\/3|broadcasts\/1/.test(view)) {
    await page.locator('[data-keys="heard"]').waitFor();
    await page.locator('iframe[sandbox]').first().waitFor();
    await page.evaluate(() => {
      document.querySelectorAll('iframe[sandbox]').forEach((frame) => frame.remove());
      /* What happens beside this may draw the page anew, and React take away a frame that is gone already. */
      const remove = Node.prototype.removeChild;
      Node.prototype.removeChild = function <T extends Node>(child: T): T {
        return child instanceof HTMLIFrameElement && child.parentNode !== this ? child : (remove.call(this, child) as T);
      };
    });
  }
}

type Scheme = 'light' | 'dark';
export const chooseScheme = (page: Page, value: Scheme) =>
  page.context().addCookies([{ name: 'urraca_scheme', value, url: test.info().project.use.baseURL! }]);
export const expectScheme = (page: Page, value: Scheme) => expect(page.locator('html')).toHaveAttribute('data-scheme', value);
/** As the page's own switch does it. */
export const turnDark = (page: Page) => page.locator('html').evaluate((element) => element.setAttribute('data-scheme', 'dark'));

/** The gallery: axe finds nothing of any level in any part of the kit, light and dark, on a phone and on a desk. */
import { createServer, type Server } from 'node:http';
import { readFile } from 'node:fs/promises';
import { extname, join } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';

test.use({ contextOptions: { reducedMotion: 'reduce' } });

/** Where `npm test` has built it. */
const FOLDER = join(import.meta.dirname, '..', '..', '.urraca', 'gallery');
const TYPES: Record<string, string> = {
  '.html': 'text/html',
  '.js': 'text/javascript',
  '.css': 'text/css',
  '.json': 'application/json',
};
let server: Server;
let base = '';

test.beforeAll(async () => {
  server = createServer((request, response) => {
    const path = new URL(request.url ?? '/', 'http://localhost').pathname;
    const file = join(FOLDER, path === '/' ? 'index.html' : path);
    readFile(file).then(
      (content) => response.setHeader('content-type', TYPES[extname(file)] ?? 'application/octet-stream').end(content),
      () => response.writeHead(404).end(),
    );
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  base = `http://127.0.0.1:${(server.address() as { port: number }).port}`;
});
test.afterAll(() => void server.close());

const stories = async (): Promise<string[]> => {
  const { stories: all } = JSON.parse(await readFile(join(FOLDER, 'meta.json'), 'utf8')) as { stories: Record<string, object> };
  return Object.keys(all);
};

/** A part stands alone: the headings and landmarks of a page are the page's. */
const OF_PAGES = ['page-has-heading-one', 'region', 'heading-order', 'landmark-one-main'];
const judge = async (page: Page, story: string, of: (axe: AxeBuilder) => AxeBuilder): Promise<string[]> => {
  const { violations } = await of(new AxeBuilder({ page })).analyze();
  return violations.map(({ id, nodes }) => `${story}: ${id}: ${nodes[0]?.html.slice(0, 160)}`);
};

test('every part in its states, light and dark, on a phone and on a desk', async ({ page }) => {
  test.setTimeout(240_000);
  const all = await stories();
  expect(all.length).toBeGreaterThan(10);
  const found: string[] = [];
  for (const story of all) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(`${base}/?story=${story}&mode=preview`);
    await page.locator('main > *, [role="dialog"]').first().waitFor();
    /* What runs nothing cannot be judged from within. */
    await page.evaluate(() => document.querySelectorAll('iframe[sandbox]').forEach((frame) => frame.remove()));
    found.push(...(await judge(page, `${story}, light, 1280`, (axe) => axe.disableRules(OF_PAGES))));
    /* In the dark the same part has other colors, on a phone other sizes, and nothing else. */
    await page.setViewportSize({ width: 390, height: 800 });
    await page.locator('html').evaluate((element) => element.setAttribute('data-scheme', 'dark'));
    found.push(
      ...(await judge(page, `${story}, dark, 390`, (axe) =>
        axe.withRules(['color-contrast', 'link-in-text-block', 'target-size']),
      )),
    );
  }
  expect(found).toEqual([]);
});

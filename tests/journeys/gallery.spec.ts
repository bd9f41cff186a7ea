/** The gallery: axe finds nothing of any level in any part of the kit, light and dark, on a phone and on a desk. */
import { createServer, type Server } from 'node:http';
import { readFile } from 'node:fs/promises';
import { extname, join } from 'node:path';
import type AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { found, OF_COLORS, turnDark } from './axe';

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

test('every part in its states, light and dark, on a phone and on a desk', async ({ page }) => {
  test.setTimeout(240_000);
  const all = await stories();
  expect(all.length).toBeGreaterThan(10);
  const wrong: string[] = [];
  const note = async (as: string, of: (axe: AxeBuilder) => AxeBuilder): Promise<void> => {
    for (const one of await found(page, of)) wrong.push(`${as}: ${one}`);
  };
  for (const story of all) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(`${base}/?story=${story}&mode=preview`);
    await page.locator('main > *, [role="dialog"]').first().waitFor();
    /* What runs nothing cannot be judged from within. */
    await page.evaluate(() => document.querySelectorAll('iframe[sandbox]').forEach((frame) => frame.remove()));
    await note(`${story}, light, 1280`, (axe) => axe.disableRules(OF_PAGES));
    /* In the dark the same part has other colors, on a phone other sizes, and nothing else. */
    await page.setViewportSize({ width: 390, height: 800 });
    await turnDark(page);
    await note(`${story}, dark, 390`, (axe) => axe.withRules([...OF_COLORS, 'target-size']));
  }
  expect(wrong).toEqual([]);
});

/** `npm run screenshots`: takes docs/screenshots anew from a freshly begun demo that is running. */
import { chromium } from '@playwright/test';
import { mkdirSync } from 'node:fs';
import { CHROMIUM } from './lib/packages.mjs';
import { fromRoot } from './lib/root.mjs';
import { script } from './lib/say.mjs';

const BASE = process.env.BASE_URL ?? 'http://127.0.0.1:3000';
const WIDE = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 800 };

/** name, who looks (nobody: without login), path, what is pressed before the picture, size, scheme */
const VIEWS = [
  ['today', 'agent1', '/today'],
  ['contacts', 'admin', '/contacts'],
  ['import', 'admin', '/contacts/import', { file: 'tests/data/imports/13-permissions-birthdays.csv', wait: 3_000 }],
  ['dossier', 'agent1', '/contacts', { keys: ['j', 'j', 'j', 'Enter'] }],
  ['intake', 'admin', '/intake'],
  ['routing', 'admin', '/routing'],
  ['campaigns', 'admin', '/campaigns/2', { keys: ['Escape'] }],
  ['template', 'admin', '/campaigns/templates/3', { keys: ['Escape'], wait: 1_500 }],
  ['broadcast', 'admin', '/campaigns/broadcasts/1', { keys: ['Escape'], wait: 1_500 }],
  ['inbox', 'admin', '/inbox', { keys: ['j', 'j'] }],
  ['market', 'admin', '/market', { keys: ['Escape'], wait: 1_500 }],
  ['page-editor', 'admin', '/market/pages/7', { keys: ['Escape'], wait: 1_500 }],
  ['home-search', null, '/p/homes'],
  ['results', 'admin', '/results'],
  ['setup', 'admin', '/setup/sources'],
  ['today-dark', 'agent2', '/today', { scheme: 'dark' }],
  ['today-phone', 'agent1', '/today', { size: PHONE }],
  ['public-page-phone', null, '/p/lantern-county', { size: PHONE }],
  ['call', 'agent1', '/today', { keys: ['c'], wait: 6_500, type: 'They want to be near the harbor' }],
];

await script(async () => {
  mkdirSync(fromRoot('docs', 'screenshots'), { recursive: true });
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--no-first-run', '--disable-sync'],
  });
  for (const [name, who, path, { keys = [], type, file, click, size = WIDE, scheme = 'light', wait = 1_200 } = {}] of VIEWS) {
    const context = await browser.newContext({ viewport: size, colorScheme: scheme, reducedMotion: 'reduce' });
    const page = await context.newPage();
    if (who) {
      await page.goto(`${BASE}/login`);
      await page.getByLabel('Email').fill(`${who}@urraca.example`);
      await page.getByLabel('Password').fill('urraca-demo');
      await page.getByRole('button', { name: 'Log in', exact: true }).click();
      await page.locator('[data-keys="heard"]').waitFor();
    }
    await page.goto(`${BASE}${path}`);
    if (who) await page.locator('[data-keys="heard"]').waitFor();
    await page.waitForTimeout(1_200);
    if (file) await page.getByLabel('File of contacts').setInputFiles(fromRoot(file));
    if (click) await page.getByRole('button', { name: click }).click();
    if (file || click) await page.waitForTimeout(wait);
    for (const key of keys) {
      await page.keyboard.press(key);
      await page.waitForTimeout(250);
    }
    if (keys.length) await page.waitForTimeout(wait);
    if (type) {
      await page.keyboard.type(type);
      await page.waitForTimeout(900);
    }
    await page.screenshot({ path: fromRoot('docs', 'screenshots', `${name}.png`) });
    await context.close();
    console.log(name);
  }
  await browser.close();
});

/**
 * What a person waits for, measured in a browser: JavaScript of a first page, when the skeleton and the data stand, how long from a key to what it
 * draws. Each several times on a warm server; medians, and the 95th percentile of keys.
 */
import { gzipSync } from 'node:zlib';
import { median, percentile, round } from './measure.mjs';

const TURNS = 5;
const KEYS = 60;
const LAUNCH = { executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] };

/** Counts from a key to the frame that shows it. */
const LISTEN = () => {
  window.paints = [];
  window.addEventListener(
    'keydown',
    (event) => {
      const began = event.timeStamp;
      requestAnimationFrame(() => {
        const { port1, port2 } = new MessageChannel();
        port1.onmessage = () => window.paints.push(performance.now() - began);
        port2.postMessage(null);
      });
    },
    true,
  );
};

async function keysToPaint(page, keys, times = KEYS) {
  await page.evaluate(() => (window.paints = []));
  for (let n = 0; n < times; n += 1) {
    await page.keyboard.press(keys[n % keys.length]);
    await page.waitForTimeout(60);
  }
  const paints = await page.evaluate(() => window.paints);
  return { p50_ms: round(percentile(paints, 50)), p95_ms: round(percentile(paints, 95)) };
}

/** @param base of a running application with the demo world @param login of somebody there */
export async function browserBench(base, login = { email: 'admin@urraca.example', password: 'urraca-demo' }) {
  const { chromium } = await import('@playwright/test');
  const browser = await chromium.launch(LAUNCH);
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    const scripts = new Map();
    page.on('response', async (response) => {
      if (response.request().resourceType() !== 'script') return;
      const body = await response.body().catch(() => null);
      if (body) scripts.set(response.url(), gzipSync(body).length);
    });
    await page.goto(`${base}/login`);
    await page.getByLabel('Email').fill(login.email);
    await page.getByLabel('Password').fill(login.password);
    scripts.clear();
    await page.keyboard.press('Enter');
    await page.waitForURL((url) => !url.pathname.startsWith('/login'));
    await page.waitForLoadState('load');
    await page.waitForTimeout(1_000);
    /* With an empty cache, as somebody comes for the first time. */
    const cold = await (await browser.newContext({ storageState: await context.storageState() })).newPage();
    const first = new Map();
    cold.on('response', async (response) => {
      if (response.request().resourceType() !== 'script') return;
      const body = await response.body().catch(() => null);
      if (body) first.set(response.url(), gzipSync(body).length);
    });
    await cold.goto(`${base}/today`, { waitUntil: 'load' });
    await cold.waitForTimeout(1_500);
    await cold.close();

    const views = {};
    for (const [name, path, data] of [
      ['today', '/today', '[data-contact]'],
      ['contacts', '/contacts', 'tr[data-row]'],
    ]) {
      const skeleton = [];
      const filled = [];
      for (let turn = 0; turn <= TURNS; turn += 1) {
        const began = performance.now();
        await page.goto(`${base}${path}`, { waitUntil: 'commit' });
        await page.locator('main').waitFor();
        const stood = performance.now() - began;
        await page.locator(data).first().waitFor();
        if (turn > 0) {
          skeleton.push(stood);
          filled.push(performance.now() - began);
        }
      }
      views[name] = { skeleton_ms: round(median(skeleton)), data_ms: round(median(filled)), bound_ms: [400, 800] };
    }
    await page.evaluate(LISTEN);
    const grid = await keysToPaint(page, ['j', 'j', 'j', 'k', 'x']);
    await page.getByRole('row').nth(3).click();
    await page.getByRole('tab', { name: 'Details' }).click();
    await page.getByRole('button', { name: 'Edit all' }).click();
    await page.getByRole('textbox', { name: 'First name' }).focus();
    const form = await keysToPaint(page, ['a', 'b', 'Backspace']);
    return {
      first_page_javascript_kb: round([...first.values()].reduce((a, b) => a + b, 0) / 1024, 0),
      bound_javascript_kb: 350,
      views,
      key_to_paint: { grid: { ...grid, bound_p95_ms: 100 }, form: { ...form, bound_p95_ms: 50 } },
    };
  } finally {
    await browser.close();
  }
}

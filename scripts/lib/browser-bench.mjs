/**
 * What a person waits for, measured in a browser: JavaScript of a first page, when the skeleton and the data are drawn, how long from a key to what it
 * draws. Each several times on a warm server; medians, and the 95th percentile of keys.
 */
import { gzipSync } from 'node:zlib';
import { median, percentile, round } from './measure.mjs';

const TURNS = 5;
const KEYS = 60;
const LAUNCH = { executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] };

/**
 * Notes in the page itself when something of it first stands and is drawn: whoever asks from outside waits until the page is idle. What is counted ends
 * right after the frame, before any script that waits behind it: that is drawn while the frame is seen already.
 */
const NOTE = (wanted) => {
  window.drawn = {};
  const look = () => {
    for (const [name, selector] of Object.entries(wanted)) {
      if (name in window.drawn || !document.querySelector(selector)) continue;
      window.drawn[name] = null;
      requestAnimationFrame(() => {
        scheduler.postTask(() => (window.drawn[name] = performance.now()), { priority: 'user-blocking' });
      });
    }
  };
  new MutationObserver(look).observe(document, { childList: true, subtree: true });
};

/** Counts from a key to the frame that shows it. */
const LISTEN = () => {
  window.paints = [];
  window.addEventListener(
    'keydown',
    (event) => {
      const began = event.timeStamp;
      requestAnimationFrame(() => {
        scheduler.postTask(() => window.paints.push(performance.now() - began), { priority: 'user-blocking' });
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
    await page.goto(`${base}/login`);
    await page.getByLabel('Email').fill(login.email);
    await page.getByLabel('Password').fill(login.password);
    await page.keyboard.press('Enter');
    await page.waitForURL((url) => !url.pathname.startsWith('/login'));
    await page.waitForLoadState('load');
    await page.waitForTimeout(1_000);
    /* With an empty cache, as somebody comes for the first time. */
    const cold = await (await browser.newContext({ storageState: await context.storageState() })).newPage();
    /* What the page needs, and what it fetches once it stands, for what may be opened later. */
    const first = new Map();
    const later = new Map();
    let loaded = false;
    cold.on('load', () => (loaded = true));
    cold.on('response', async (response) => {
      if (response.request().resourceType() !== 'script') return;
      const scripts = loaded ? later : first;
      const body = await response.body().catch(() => null);
      if (body) scripts.set(response.url(), gzipSync(body).length);
    });
    await cold.goto(`${base}/today`, { waitUntil: 'load' });
    await cold.waitForTimeout(4_000);
    await cold.close();
    const kilobytes = (scripts) => round([...scripts.values()].reduce((a, b) => a + b, 0) / 1024, 0);

    const views = {};
    for (const [name, path, data] of [
      ['today', '/today', '[data-contact]'],
      ['contacts', '/contacts', 'tr[data-row]'],
    ]) {
      const skeleton = [];
      const filled = [];
      const noted = await context.newPage();
      await noted.addInitScript(NOTE, { skeleton: 'main', data });
      for (let turn = 0; turn <= TURNS; turn += 1) {
        await noted.goto(`${base}${path}`, { waitUntil: 'load' });
        await noted.waitForFunction(() => window.drawn.data > 0);
        const drawn = await noted.evaluate(() => window.drawn);
        if (turn > 0) {
          skeleton.push(drawn.skeleton);
          filled.push(drawn.data);
        }
        await noted.waitForTimeout(1_000);
      }
      await noted.close();
      views[name] = { skeleton_ms: round(median(skeleton)), data_ms: round(median(filled)), bound_ms: [400, 800] };
    }
    await page.goto(`${base}/contacts`, { waitUntil: 'load' });
    await page.locator('tr[data-row]').first().waitFor();
    await page.waitForTimeout(4_000);
    await page.evaluate(LISTEN);
    const grid = await keysToPaint(page, ['j', 'j', 'j', 'k', 'x']);
    await page.getByRole('row').nth(3).click();
    await page.getByRole('tab', { name: 'Details' }).click();
    await page.getByRole('button', { name: 'Edit all' }).click();
    await page.getByRole('textbox', { name: 'First name' }).focus();
    const form = await keysToPaint(page, ['a', 'b', 'Backspace']);
    return {
      first_page_javascript_kb: kilobytes(first),
      fetched_once_it_stands_kb: kilobytes(later),
      bound_javascript_kb: 350,
      views,
      key_to_paint: { grid: { ...grid, bound_p95_ms: 100 }, form: { ...form, bound_p95_ms: 50 } },
    };
  } finally {
    await browser.close();
  }
}

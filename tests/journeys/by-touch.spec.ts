/** By finger alone: an agent in a car park on a phone, and somebody at a tablet who moves things by touch. */
import type { Browser, Locator, Page } from '@playwright/test';
import { BASE, expect, test } from './fixtures';

/** A device with a finger and without a mouse or keyboard. */
async function device(browser: Browser, width: number, height: number, who: string): Promise<Page> {
  const context = await browser.newContext({ baseURL: BASE, viewport: { width, height }, hasTouch: true, isMobile: width < 800 });
  const page = await context.newPage();
  await page.goto('/login');
  await page.getByLabel('Email').fill(`${who}@urraca.example`);
  await page.getByLabel('Password').fill('urraca-demo');
  await page.getByRole('button', { name: 'Log in', exact: true }).tap();
  await page.waitForURL((url) => !url.pathname.startsWith('/login'));
  await page.locator('[data-keys="heard"]').waitFor();
  return page;
}

test('a phone in a car park: whom to call, a note, a lead, an area further on', async ({ browser }) => {
  const page = await device(browser, 390, 844, 'agent2');
  await page.locator('[data-contact]').first().tap();
  const dossier = page.getByRole('article', { name: /^Dossier of/ });
  await expect(dossier).toBeVisible();
  await dossier.getByTitle('Note (o)').tap();
  await page.getByRole('textbox', { name: 'Note' }).fill('Met at the gate');
  await page.getByRole('button', { name: /^Save note/ }).tap();
  await expect(page.getByRole('form', { name: 'Note' })).toBeHidden();
  await expect(dossier.getByText('Met at the gate').first()).toBeVisible();
  await dossier.getByRole('button', { name: 'Close contact' }).tap();
  await expect(dossier).toBeHidden();

  const bar = page.getByRole('navigation', { name: 'Areas, on a phone' });
  await bar.getByRole('button', { name: 'Add' }).tap();
  await page.getByLabel('First name').fill('Finn');
  await page.getByLabel('Phone', { exact: true }).fill('564-555-0178');
  await page.getByRole('button', { name: 'Add lead' }).tap();
  await expect(page.getByRole('article', { name: 'Dossier of Finn' })).toBeVisible();
  /* The notice of it stands beside, and covers nothing that closes. */
  await page.getByRole('button', { name: 'Close contact' }).tap();

  await bar.getByRole('button', { name: 'More' }).tap();
  await page.getByRole('link', { name: /^Contacts/ }).tap();
  await expect(page.locator('tr[data-row]').first()).toBeVisible();
  await bar.getByRole('button', { name: 'Search' }).tap();
  await page.getByRole('combobox', { name: /^Search contacts/ }).fill('Finn');
  await page.getByRole('option', { name: /Finn/ }).first().tap();
  await expect(page.getByRole('article', { name: 'Dossier of Finn' })).toBeVisible();
  await page.context().close();
});

/** Where the first two handles are once nothing moves them any more: what rungs say comes later than they do, and a swipe scrolls on. */
async function whereTheyRest(handles: Locator): Promise<{ from: number; to: number; x: number }> {
  const places = () => Promise.all([1, 0].map((n) => handles.nth(n).boundingBox()));
  let [from, to] = await places();
  await expect
    .poll(async () => {
      const before = [from, to];
      [from, to] = await places();
      return JSON.stringify(before) === JSON.stringify([from, to]);
    })
    .toBe(true);
  return { from: from!.y, to: to!.y, x: from!.x + from!.width / 2 };
}

test('a rung is moved by a finger that is held, and a swipe over it only scrolls', async ({ browser }) => {
  const page = await device(browser, 1024, 768, 'admin');
  await page.goto('/routing');
  await page.locator('[data-keys="heard"]').waitFor();
  await page.getByRole('button', { name: 'Edit ladder' }).tap();
  const handles = page.getByRole('button', { name: /^Move rung \d+$/ });
  /* Whom each is for; what can be chosen beside it comes later. */
  const names = () => handles.evaluateAll((all) => all.map((one) => one.closest('li')?.textContent?.split('go to')[0]));
  await expect(handles.nth(1)).toBeVisible();
  const before = await names();
  const finger = await page.context().newCDPSession(page);
  const at = (x: number, y: number) => [{ x, y }];
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', points: { x: number; y: number }[]) =>
    finger.send('Input.dispatchTouchEvent', { type, touchPoints: points });
  /* A swipe is no drag. */
  let { from, to, x } = await whereTheyRest(handles);
  await touch('touchStart', at(x, from + 8));
  for (let y = from; y > to; y -= 20) await touch('touchMove', at(x, y));
  await touch('touchEnd', []);
  expect(await names()).toEqual(before);
  /* Held, it is. */
  ({ from, to, x } = await whereTheyRest(handles));
  await touch('touchStart', at(x, from + 8));
  await expect(page.locator('[data-dragging]')).toBeVisible();
  for (let y = from; y > to - 10; y -= 10) await touch('touchMove', at(x, y));
  await touch('touchEnd', []);
  await expect.poll(names).toEqual([before[1], before[0], ...before.slice(2)]);
  await page.context().close();
});

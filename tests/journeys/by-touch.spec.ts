/** By finger: somebody at a tablet moves things by touch. */
import type { Browser, Page } from '@playwright/test';
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

test('a rung is moved by a finger that is held, and a swipe over it only scrolls', async ({ browser }) => {
  const page = await device(browser, 1024, 768, 'admin');
  await page.goto('/routing');
  await page.locator('[data-keys="heard"]').waitFor();
  await page.getByRole('button', { name: 'Edit ladder' }).tap();
  const handles = page.getByRole('button', { name: /^Move rung \d+$/ });
  const names = () => handles.evaluateAll((all) => all.map((one) => one.closest('li')?.textContent?.slice(1, 80)));
  await expect(handles.nth(1)).toBeVisible();
  const before = await names();
  const finger = await page.context().newCDPSession(page);
  const [from, to] = [await handles.nth(1).boundingBox(), await handles.first().boundingBox()];
  const at = (x: number, y: number) => [{ x, y }];
  const x = from!.x + from!.width / 2;
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', points: { x: number; y: number }[]) =>
    finger.send('Input.dispatchTouchEvent', { type, touchPoints: points });
  /* A swipe is no drag. */
  await touch('touchStart', at(x, from!.y + 8));
  for (let y = from!.y; y > to!.y; y -= 20) await touch('touchMove', at(x, y));
  await touch('touchEnd', []);
  expect(await names()).toEqual(before);
  /* Held, it is. */
  await touch('touchStart', at(x, from!.y + 8));
  await expect(page.locator('[data-dragging]')).toBeVisible();
  for (let y = from!.y; y > to!.y - 10; y -= 10) await touch('touchMove', at(x, y));
  await touch('touchEnd', []);
  await expect.poll(names).toEqual([before[1], before[0], ...before.slice(2)]);
  await page.context().close();
});

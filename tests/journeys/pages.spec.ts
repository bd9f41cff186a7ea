/** Public pages: an open-house evening without a network; a page made of blocks and put into another site; a home search that asks who is looking; a door for programs taught where fields stand. */
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { gzipSync } from 'node:zlib';
import { advance, api, BASE, expect, logIn, test } from './fixtures';

interface Found {
  items: { id: string; tags: string[]; owner: { name: string }; permissions?: Record<string, string> }[];
}
const find = async (q: string) => (await api<Found>(`/contacts?q=${encodeURIComponent(q)}`)).body.items;
interface Line {
  kind: string;
  text: string | null;
  at: string;
}
const story = async (id: string) => (await api<{ items: Line[] }>(`/contacts/${id}/timeline?limit=100`)).body.items;

test('an open-house evening without a network: each visitor is kept on the tablet, the page clears itself, and all arrive exactly once', async ({
  browser,
}) => {
  const tablet = await browser.newContext({ viewport: { width: 1024, height: 768 } });
  const page = await tablet.newPage();
  await page.goto('/p/open-house');
  await page.evaluate(() => navigator.serviceWorker.ready);
  await expect.poll(() => page.evaluate(() => caches.match(location.href).then(Boolean))).toBe(true);
  await tablet.setOffline(true);
  const line = page.locator('.net');
  const guests = [
    ['Ansgar', 'Weil', '(564) 555-0141'],
    ['Benedikta', 'Roth', '(564) 555-0142'],
    ['Corin', 'Hale', '(564) 555-0143'],
  ];
  for (const [n, [first, last, phone]] of guests.entries()) {
    if (n === 1) {
      await page.reload();
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    }
    await page.getByLabel('First name').fill(first!);
    await page.getByLabel('Last name').fill(last!);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByText('Enter a phone number or an email address')).toBeVisible();
    await page.getByLabel('Phone').fill(phone!);
    await page.getByLabel(n === 0 ? 'yes' : 'no', { exact: true }).check();
    if (n === 0) await page.getByLabel(/If yes, who/).fill('Ute Brandis');
    if (n === 2) await page.getByLabel(/may text me/).check();
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByText('Enjoy your visit.')).toBeVisible();
    await expect(page.getByLabel('First name')).toBeVisible({ timeout: 8_000 });
    await expect(page.getByLabel('First name')).toHaveValue('');
    await expect(line).toContainText(`${n + 1} saved here until you’re back online`);
  }
  expect(await find('Ansgar Weil')).toEqual([]);
  /* The net comes back, the answer to the first delivery is lost, and the tablet sends again. */
  let lost = false;
  await page.route('**/p/open-house', async (route) => {
    if (route.request().method() !== 'POST' || lost) return route.fallback();
    lost = true;
    await route.fetch();
    await route.abort();
  });
  await tablet.setOffline(false);
  await expect.poll(() => lost).toBe(true);
  await page.reload();
  await expect(line).toBeHidden({ timeout: 30_000 });
  for (const [first, last] of guests) {
    const people = await find(`${first} ${last}`);
    expect([first, people.length]).toEqual([first, 1]);
    const lines = await story(people[0]!.id);
    expect(lines.filter(({ kind }) => kind === 'inquiry')).toHaveLength(1);
    expect(lines.filter(({ text }) => text?.startsWith('Came to the open house at'))).toHaveLength(1);
    expect(people[0]!.tags.map((tag) => tag.toLowerCase())).toContain('open house');
  }
  const [ansgar] = await find('Ansgar Weil');
  expect(ansgar!.tags).toContain('Has an agent');
  expect((await story(ansgar!.id)).find(({ kind }) => kind === 'inquiry')!.text).toContain('Works with an agent: Ute Brandis.');
  const [corin] = await find('Corin Hale');
  const { body } = await api<{ permissions: Record<string, string> }>(`/contacts/${corin!.id}`);
  expect(body.permissions).toMatchObject({ text: 'granted', call: 'unknown' });
  await tablet.close();
});

test('the sign-in page is small and there at once', async ({ page }) => {
  let script = 0;
  page.on('response', async (answer) => {
    if (answer.request().resourceType() === 'script') script += gzipSync(await answer.body()).length;
  });
  await page.goto('/p/open-house');
  const paint = await page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        new PerformanceObserver((list) => resolve(list.getEntries()[0]!.startTime)).observe({ type: 'paint', buffered: true });
      }),
  );
  await page.waitForLoadState('networkidle');
  expect(script).toBeGreaterThan(500);
  expect(script).toBeLessThan(100_000);
  expect(paint).toBeLessThan(1_000);
});

test('a page is made of blocks, put in order by keys, shown as visitors have it, and works inside another site', async ({
  page,
  browser,
}) => {
  await logIn(page, 'admin');
  await page.goto('/market/pages');
  await page.getByRole('radio', { name: /Contact form/ }).check();
  await page.getByLabel('Name of the page').fill('Ask at the harbour');
  await page.getByRole('button', { name: 'Create page' }).click();
  await page.waitForURL(/\/market\/pages\/\d+$/);
  await page.getByLabel('Heading text').fill('Down at the harbour');
  await page.getByRole('group', { name: 'Blocks to add' }).getByRole('button', { name: 'agent' }).click();
  const blocks = page.getByRole('list', { name: 'Blocks of the page' }).getByRole('listitem');
  await expect(blocks).toHaveCount(5);
  await blocks.nth(3).getByLabel('Who').selectOption({ label: 'Jory Pell' });
  await blocks.nth(3).getByLabel('Who').focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect(blocks.nth(2)).toContainText('agent');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(blocks.nth(3)).toContainText('agent');
  await page.getByRole('button', { name: 'Redo' }).click();
  const shown = page.frameLocator('iframe[title="The page"]');
  await expect(shown.getByRole('heading', { name: 'Down at the harbour' })).toBeVisible();
  await expect(shown.getByText('Jory Pell')).toBeVisible();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved and live.')).toBeVisible();

  const site = await siteWith(
    `<h1>Harbour cafe</h1><iframe src="${BASE}/p/ask-at-the-harbour/embed" style="width:600px;height:900px"></iframe>`,
  );
  const visitor = await (await browser.newContext()).newPage();
  await visitor.goto(`http://127.0.0.1:${(site.address() as AddressInfo).port}`);
  const form = visitor.frameLocator('iframe');
  await form.getByLabel('First name').fill('Eskilravn');
  await form.getByLabel('Phone').fill('(564) 555-0144');
  await advance('PT2S');
  await form.getByRole('button', { name: 'Send' }).click();
  await expect(form.getByRole('status')).toContainText('Thank you.');
  site.close();
  await visitor.context().close();
  expect(await find('Eskilravn')).toHaveLength(1);
  const inside = await fetch(`${BASE}/p/open-house`);
  expect(inside.headers.get('content-security-policy')).toContain("frame-ancestors 'none'");
});

const siteWith = (body: string): Promise<Server> =>
  new Promise((resolve) => {
    const server = createServer((_request, answer) => {
      answer.setHeader('content-type', 'text/html');
      answer.end(`<!doctype html><title>Another site</title>${body}`);
    });
    server.listen(0, '127.0.0.1', () => resolve(server));
  });

test('a home search asks who is looking after three homes; what was looked at and saved before stands in the timeline', async ({
  browser,
}) => {
  const visitor = await (await browser.newContext()).newPage();
  await visitor.goto('/p/homes');
  await visitor.getByLabel('Bedrooms').selectOption('3');
  await visitor.getByRole('button', { name: 'Show homes' }).click();
  await expect(visitor.getByText(/3 bedrooms or more: \d+ on the market today/)).toBeVisible();
  const open = async (n: number) => {
    await visitor.goto('/p/homes');
    await visitor.locator('.homes li').nth(n).getByRole('link').click();
    await expect(visitor.getByRole('link', { name: 'Back to all homes' })).toBeVisible();
  };
  for (const n of [0, 1, 2]) {
    await open(n);
    await expect(visitor.getByText('Illustration only')).toBeVisible();
  }
  const address = await visitor.getByRole('heading', { level: 1 }).textContent();
  await visitor.getByRole('button', { name: 'Save this home' }).click();
  await expect(visitor.getByText('saved', { exact: true })).toBeVisible();
  await open(3);
  await expect(visitor.getByText('You have looked at 3 homes.')).toBeVisible();
  await visitor.getByLabel('First name').fill('Eluned');
  await visitor.getByRole('textbox', { name: 'Email' }).fill('eluned@visitor.example');
  await advance('PT2S');
  await visitor.getByRole('button', { name: 'Keep browsing' }).click();
  await expect(visitor.getByText('Illustration only')).toBeVisible();
  await open(4);
  await expect(visitor.getByText('Illustration only')).toBeVisible();
  const [eluned] = await find('eluned@visitor.example');
  const lines = await story(eluned!.id);
  expect(lines.filter(({ kind }) => kind === 'viewed_home')).toHaveLength(5);
  expect(lines.find(({ kind }) => kind === 'saved_home')!.text).toBe(address);
  expect(lines.filter(({ kind }) => kind === 'visit')).toHaveLength(1);
  expect(eluned!.tags).toContain('Home search');
  await visitor.context().close();
});

test('a drawn area on the map of a search stands in its address and narrows the homes', async ({ page }) => {
  await page.goto('/p/homes');
  const all = Number(/: (\d+) on the market/.exec(await page.locator('p[aria-live]').innerText())![1]);
  await page.getByRole('button', { name: 'Draw an area' }).click();
  const box = (await page.locator('#map').boundingBox())!;
  const at = (x: number, y: number) => page.mouse.click(box.x + box.width * x, box.y + box.height * y);
  for (const [x, y] of [
    [0.25, 0.1],
    [0.75, 0.1],
    [0.75, 0.32],
    [0.25, 0.32],
    [0.25, 0.1],
  ] as const)
    await at(x, y);
  await page.waitForURL(/within=/);
  await expect(page.locator('p[aria-live]')).toContainText('inside your area');
  const some = Number(/: (\d+) on the market/.exec(await page.locator('p[aria-live]').innerText())?.[1] ?? 0);
  expect(some).toBeGreaterThan(0);
  expect(some).toBeLessThan(all);
  /* Each of them lies in the area that was drawn, and every home of the whole search that does is among them. */
  const corners = new URL(page.url()).searchParams
    .get('within')!
    .split(' ')
    .map((corner) => corner.split(',').map(Number) as [number, number]);
  const [west, east] = [Math.min(...corners.map(([lon]) => lon)), Math.max(...corners.map(([lon]) => lon))];
  const [south, north] = [Math.min(...corners.map(([, lat]) => lat)), Math.max(...corners.map(([, lat]) => lat))];
  const placesOf = async (search: string) =>
    ((await (await fetch(`${BASE}/p/homes/places${search}`)).json()) as { pins: { latitude: number; longitude: number }[] }).pins;
  const inside = (pins: { latitude: number; longitude: number }[]) =>
    pins.filter(({ latitude: lat, longitude: lon }) => lat > south && lat < north && lon > west && lon < east);
  const shown = await placesOf(new URL(page.url()).search);
  expect(shown).toHaveLength(some);
  expect(inside(shown)).toHaveLength(some);
  expect(inside(await placesOf(''))).toHaveLength(some);
});

test('a door for programs is taught where fields stand, tried without a trace, and takes a form then', async ({ page }) => {
  await logIn(page, 'admin');
  await page.goto('/intake');
  const doors = page.getByRole('region', { name: 'Doors' });
  await doors.getByRole('button', { name: 'Add a door for programs' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Who sends these leads').fill('Chatter widget');
  await dialog.getByRole('button', { name: 'Create' }).click();
  await expect(doors.getByText('Chatter widget').first()).toBeVisible();
  const { body } = await api<{ items: { id: string; name: string; address: string }[] }>('/doors');
  const door = body.items.find(({ name }) => name === 'Chatter widget')!;
  const post = (query: string, fields: Record<string, string>) =>
    fetch(`${BASE}/in/${door.address.split('/').at(-1)}${query}`, { method: 'POST', body: new URLSearchParams(fields) });
  const fields = { f1: 'Gwendal Orme', f2: '564-555-0145', f3: 'Is it still for sale?' };
  expect(await (await post('?sandbox=true', fields)).json()).toMatchObject({
    sandbox: true,
    read: { first_name: '', message: null },
  });
  await page.locator('[data-door]', { hasText: 'Chatter widget' }).getByRole('button', { name: 'Requests and fields' }).click();
  await dialog.getByLabel('What f1 is').selectOption({ label: 'full name' });
  await dialog.getByLabel('What f2 is').selectOption({ label: 'phone' });
  await dialog.getByLabel('What f3 is').selectOption({ label: 'what they asked about' });
  await expect(dialog.getByText('"first_name": "Gwendal"')).toBeVisible();
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toBeHidden();
  /* The door is read anew within seconds. */
  await expect
    .poll(async (): Promise<unknown> => (await post('?sandbox=true', fields)).json())
    .toMatchObject({ sandbox: true, contact: { status: 'created' }, read: { first_name: 'Gwendal' } });
  expect(await find('Gwendal Orme')).toEqual([]);
  expect((await post('', fields)).status).toBe(201);
  expect(await find('Gwendal Orme')).toHaveLength(1);
});

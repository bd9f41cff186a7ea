/** Routing in the browser: a ladder changed, rehearsed and applied; a lead claimed by one of two agents; a roster arranged. The town is left as it was. */
import type { Browser, Page } from '@playwright/test';
import { api, expect, logIn, test, type CapturedLead } from './fixtures';

const lead = (emails: string[], more: object = {}) =>
  api<CapturedLead>('/inquiries', 'POST', {
    person: { first_name: 'Perpetua', last_name: 'Rowe', emails },
    roles: ['buyer'],
    source: 'Harbor Portal',
    message: 'Is the garden large?',
    place: { city: 'Tarn Hollow' },
    ...more,
  });
const agentPage = async (browser: Browser, who: string): Promise<Page> => {
  const page = await (await browser.newContext()).newPage();
  await logIn(page, who);
  return page;
};
const open = async (page: Page, path: string) => {
  await page.goto(path);
  await page.locator('[data-keys="heard"]').waitFor();
};

/** The roster hands out as the other journeys know it, whatever became of this one. */
test.afterAll(() => api('/rosters/1', 'PATCH', { hand_out: 'round_robin', hides: [] }));

test('a ladder is changed, rehearsed and applied; a lead goes by it and its way can be read; undone it is as before', async ({
  page,
}) => {
  await logIn(page, 'admin');
  await open(page, '/routing');
  await page.getByRole('button', { name: 'Edit ladder' }).click();
  await page.getByRole('button', { name: 'Add a rung' }).click();
  const third = page.getByRole('group', { name: 'Who rung 3 is for' });
  await third.getByRole('button', { name: 'who…' }).click();
  await page.getByLabel('What to filter by').fill('city it is');
  await page.keyboard.press('Enter');
  await page.getByLabel('Find or type a value').fill('Tarn Hollow');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(third).toContainText('People about Tarn Hollow');
  await page.getByLabel('Roster of rung 3').selectOption('Listing desk');
  await page.getByRole('button', { name: 'Move rung 3 up' }).click();
  await page.getByRole('button', { name: 'Move rung 2 up' }).click();

  await page.getByRole('button', { name: 'Run rehearsal' }).click();
  const rehearsal = page.getByRole('region', { name: 'Rehearsal' });
  await expect(rehearsal).toContainText(/would go to another agent/);
  const first = rehearsal.getByRole('row', { name: /^1\. Listing desk/ });
  await expect(first.getByRole('cell').nth(1)).toHaveText('0');
  await first.getByRole('button').click();
  await expect(rehearsal.getByRole('heading', { name: 'Rung 1, the latest' })).toBeVisible();
  await page.reload();
  await expect(page.getByText('You’re editing the ladder.')).toBeVisible();

  await page.getByRole('button', { name: 'Apply' }).click();
  await expect(page.getByRole('region', { name: 'The ladder' })).toContainText('People about Tarn Hollow go to Listing desk');
  const { body } = await lead(['tarn@ladder.example']);
  expect(body.routing.because).toContain('Rung 1, “People about Tarn Hollow”: Listing desk (round robin)');
  const other = await lead(['salt@ladder.example'], { place: { city: 'Saltmarsh' } });
  await open(page, `/intake?inquiry=${other.body.inquiry.id}`);
  const way = page.getByRole('region', { name: 'How it was assigned' });
  await expect(way).toContainText('Rung 1, “People about Tarn Hollow”: not about Tarn Hollow.');
  await expect(way).toContainText('Rung 2, “Buyers”: matches.');

  await open(page, '/routing');
  await page.getByRole('button', { name: 'Past versions' }).click();
  await page.getByRole('button', { name: 'Restore' }).first().click();
  await expect(page.getByRole('region', { name: 'The ladder' })).not.toContainText('Tarn Hollow');
});

test('an open claim by two agents in two browsers: one takes it with a key, the other reads who was first', async ({
  page,
  browser,
}) => {
  await logIn(page, 'admin');
  await open(page, '/routing');
  await page.getByRole('button', { name: 'Change Coast agents' }).click();
  const form = page.getByRole('dialog');
  await form.getByLabel('Distribution').selectOption('open claim');
  await form.getByLabel('hide the name until they accept').check();
  await form.getByRole('button', { name: 'Save roster' }).click();
  await expect(page.getByRole('region', { name: 'Coast agents' })).toContainText('open claim, 10 min');

  const [one, two] = [await agentPage(browser, 'agent1'), await agentPage(browser, 'agent2')];
  const { body } = await lead(['claim@open.example']);
  expect(body.routing.agent).toBeNull();
  const offer = (at: Page) => at.getByRole('complementary', { name: 'Leads offered to you' });
  for (const at of [one, two]) {
    await expect(offer(at)).toContainText('Is the garden large?');
    await expect(offer(at)).not.toContainText('Perpetua');
  }
  await two.route('**/api/v1/events', (route) => route.abort());
  await two.evaluate(() => window.stop());
  await one.keyboard.press('a');
  await expect(one.getByText('Perpetua Rowe is yours.')).toBeVisible();
  await expect(one).toHaveURL(new RegExp(`contact=${body.contact.id}`));
  await offer(two)
    .getByRole('button', { name: /Take lead/ })
    .click();
  await expect(two.getByText(/Asta Lund was first, (at once|after \d+ sec)\. The lead is theirs\./)).toBeVisible();
  await expect(offer(two)).toHaveCount(0);

  await open(page, '/routing');
  await page.getByRole('button', { name: 'Change Coast agents' }).click();
  await form.getByLabel('Distribution').selectOption('round robin');
  await form.getByRole('button', { name: 'Save roster' }).click();
  await expect(page.getByRole('region', { name: 'Coast agents' })).toContainText('round robin');
});

test('a circle of rosters is refused with its way; an invitation is answered by the one invited', async ({ page, browser }) => {
  await logIn(page, 'admin');
  await open(page, '/routing');
  await page.getByRole('button', { name: 'New roster' }).click();
  const form = page.getByRole('dialog');
  await form.getByLabel('Name', { exact: true }).fill('Night watch');
  await form.getByLabel('Add person').selectOption('Asta Lund');
  await form.getByLabel('email invitations to new people').check();
  await form.getByLabel('If no one takes it').selectOption('another roster');
  await form.getByLabel('The next roster').selectOption('Listing desk');
  await form.getByRole('button', { name: 'Save roster' }).click();
  const watch = page.getByRole('region', { name: 'Night watch' });
  await expect(watch).toContainText('invited, no answer yet');
  await page.getByRole('button', { name: 'Change Listing desk' }).click();
  await form.getByLabel('If no one takes it').selectOption('another roster');
  await form.getByLabel('The next roster').selectOption('Night watch');
  await form.getByRole('button', { name: 'Save roster' }).click();
  await expect(form.getByRole('alert')).toContainText(
    /makes a circle: (Listing desk → Night watch → Listing desk|Night watch → Listing desk → Night watch)/,
  );
  await page.keyboard.press('Escape');
  await form.getByRole('button', { name: 'Discard changes' }).click();

  const asta = await agentPage(browser, 'agent1');
  await open(asta, '/routing');
  await asta.getByRole('region', { name: 'Invitation to Night watch' }).getByRole('button', { name: 'Accept' }).click();
  await expect(asta.getByText('You’re on the roster.')).toBeVisible();
  await expect(watch).not.toContainText('invited');
  await page.getByRole('button', { name: 'Change Night watch' }).click();
  await form.getByRole('button', { name: 'Delete' }).click();
  await expect(watch).toHaveCount(0);
});

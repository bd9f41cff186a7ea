/** A campaign built on its ruler, rehearsed, switched on, edited while it runs, stopped by an answer; all held by one switch. */
import { advance, api, expect, logIn, received, script, test, type CapturedLead, workingHours } from './fixtures';

test.beforeEach(workingHours);

test('from a starter to an edit while it runs, and an answer that ends it', async ({ page }) => {
  await logIn(page, 'admin');
  await page.goto('/campaigns');
  await page.locator('[data-keys="heard"]').waitFor();
  await page.getByRole('button', { name: 'New campaign' }).click();
  await page.getByRole('radio', { name: /Blank/ }).check();
  await page.getByLabel('Name').fill('Harbor landlords');
  await page.getByRole('button', { name: 'Create draft' }).click();
  await expect(page.getByLabel('Name of the campaign')).toHaveValue('Harbor landlords');
  await expect(page.getByText('No steps yet')).toBeVisible();

  await page.getByRole('button', { name: 'Add an email on day 0' }).click();
  const chosen = page.getByRole('region', { name: 'Selected step' });
  await chosen.getByLabel('When', { exact: true }).selectOption({ label: 'minutes after the start' });
  await chosen.getByLabel('Subject').fill('Your house by the harbor');
  await chosen.getByLabel('Words', { exact: true }).fill('Hello {{ first_name }}, do you still let it?');
  await chosen.getByLabel(/Plain version/).fill('');
  await expect(chosen.getByText('There’s no plain version for when a field is unknown.').first()).toBeVisible();
  await chosen.getByLabel(/Plain version/).fill('Hello, do you still let it?');
  await expect(chosen.getByText('No problems found.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Preview' })).toContainText('do you still let it?');

  await page.getByRole('button', { name: 'Add a letter on day 2' }).click();
  await chosen.getByLabel('Subject').fill('On paper');
  const letter = page.getByRole('button', { name: /^letter, day 2/ });
  await letter.focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: /^letter, day 3/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(letter).toBeVisible();

  await page.getByRole('group', { name: 'Roles' }).getByRole('button', { name: 'landlord' }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.').first()).toBeVisible();
  await page.getByRole('button', { name: 'Run rehearsal' }).click();
  await expect(page.getByRole('region', { name: 'Rehearsal' })).toContainText('if no one answers');
  await page
    .getByRole('group', { name: /^State of/ })
    .getByRole('button', { name: 'On' })
    .click();
  await expect(page.getByText('“Harbor landlords” is on.').first()).toBeVisible();

  await script('marit@quayle.example', { answers: [{ to: 'email', after: 'P1D', body: 'Yes, until spring' }] });
  const { body: lead } = await api<CapturedLead>('/inquiries', 'POST', {
    person: { first_name: 'Marit', last_name: 'Quayle', emails: ['marit@quayle.example'], phones: ['(564) 555-0131'] },
    roles: ['landlord'],
    permissions: { email: true },
  });
  await page.goto(`/contacts/${lead.contact.id}`);
  await page.locator('[data-keys="heard"]').waitFor();
  await page.getByRole('combobox', { name: 'Add to a campaign' }).fill('Harbor landlords');
  await page.getByRole('option', { name: 'Harbor landlords' }).click();
  await expect(page.getByText('Added to the campaign.').first()).toBeVisible();
  await expect(page.getByText('Your house by the harbor').first()).toBeVisible({ timeout: 20_000 });

  await page.goto('/campaigns');
  await page.getByRole('link', { name: 'Harbor landlords' }).click();
  await page.getByRole('button', { name: /^letter, day 2/ }).click();
  await chosen.getByLabel('Days', { exact: true }).fill('4');
  await page.getByRole('button', { name: 'Save' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('One person is in it');
  await dialog.getByLabel('Move them to this version').check();
  await expect(dialog).toContainText('No one gets a step twice');
  await dialog.getByRole('button', { name: 'Save version' }).click();
  await expect(page.getByText('Saved as version').first()).toBeVisible();

  await page.goto(`/contacts/${lead.contact.id}`);
  await page.getByRole('button', { name: 'Hold all' }).click();
  await expect(page.getByText('All campaigns on hold for them').first()).toBeVisible();
  await page.getByRole('button', { name: 'Resume campaigns' }).click();
  await advance('P5D');
  await expect(page.getByText('“Harbor landlords” stopped: they replied by email.').first()).toBeVisible();
  expect((await received('marit@quayle.example')).map(({ channel }) => channel)).toEqual(['email']);
});

test('all campaigns are held by one switch and go on by it', async ({ page }) => {
  await logIn(page, 'admin');
  await page.goto('/campaigns');
  await page.locator('[data-keys="heard"]').waitFor();
  await page.getByRole('button', { name: 'Hold all campaigns' }).click();
  await expect(page.getByText('All campaigns are on hold', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Resume all' }).click();
  await expect(page.getByRole('button', { name: 'Hold all campaigns' })).toBeVisible();
});

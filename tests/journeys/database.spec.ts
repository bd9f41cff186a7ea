/** The contact database in the browser: a messy file comes in and is corrected, a segment is written and kept, its people are changed together, undone, exported; the import is taken back. */
import { BASE, expect, logIn, test } from './fixtures';

const MESSY = `Roll of the harbour office;;;;;;;
Made in spring;;;;;;;
;;;;;;;
Nachname;Vorname;Mail(s);Handy;Type;Groups;Perch;OK to text?
Ravenglasse;Zelda;zelda.r@tarnmail.example / z2@kelpmail.example;564.555.0190;Buyer;harbour list;98741;yes
Mossop;Ferris;no mail here;564 555 0191 x3;Seller;harbour list;98751;maybe
Inkpen;Jago;jago.i@tarnmail.example;564-555-0192;buyer/seller;harbour list, choir;98741;no
Quarrendon;Oda;;;;;;
Total;4;;;;;;
`;

test('a messy file comes in, is cleaned, becomes a segment, is changed together, undone and exported', async ({ page }) => {
  await logIn(page, 'admin');
  await page.goto('/contacts');
  await page.locator('[data-keys="heard"]').waitFor();
  await page.getByRole('button', { name: 'Database' }).click();
  await page.getByRole('menuitem', { name: 'Import a file' }).click();
  await page
    .getByLabel('File of contacts')
    .setInputFiles({ name: 'harbour roll.csv', mimeType: 'text/csv', buffer: Buffer.from(MESSY) });
  await expect(page.getByText('4 people. 2 ready, 2 with problems.')).toBeVisible();
  await expect(page.getByText('CSV with semicolons, UTF-8, headings in row 4')).toBeVisible();
  await page.getByLabel('What “Perch” is').selectOption('ZIP');
  await expect(page.getByRole('row', { name: /Zelda Ravenglasse/ })).toContainText('98741');
  await page.getByRole('button', { name: 'Import 4 contacts' }).click();
  await expect(page.getByText('3 new')).toBeVisible();
  const left = await page.getByRole('link', { name: 'Download skipped rows' }).getAttribute('href');
  expect(await (await page.request.get(`${BASE}${left}`)).text()).toMatch(/Quarrendon,Oda.*no email/);

  await page.getByRole('link', { name: 'Back to contacts' }).click();
  await page.getByRole('button', { name: 'who…' }).click();
  await page.keyboard.type('Tag');
  await page.keyboard.press('Enter');
  await page.getByLabel('Find or type a value').fill('harbour');
  await page.getByLabel('harbour list').check();
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByRole('group', { name: 'Filter' })).toContainText('People tagged harbour list');
  await expect(page.getByText('3 people', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Save as a segment' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Harbour');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('button', { name: /^Harbour 3/ })).toBeVisible();

  await page
    .getByRole('row', { name: /Zelda Ravenglasse/ })
    .getByRole('checkbox')
    .check();
  await expect(page.getByText('1 of 3 selected')).toBeVisible();
  await page.getByRole('button', { name: 'all 3' }).click();
  await page.getByRole('toolbar', { name: 'Actions for the selected contacts' }).getByRole('button', { name: 'Horizon' }).click();
  await page.getByLabel('Warm').check();
  await expect(page.getByText('3 people get the horizon Warm.')).toBeVisible();
  await page.getByRole('button', { name: 'Do it for 3' }).click();
  await expect(page.getByText('3 people: get the horizon Warm.')).toBeVisible();
  await expect(page.getByRole('row', { name: /Zelda Ravenglasse/ }).getByLabel('Warm')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Undone for 3 people.')).toBeVisible();
  await expect(page.getByRole('row', { name: /Zelda Ravenglasse/ }).getByLabel('No horizon yet')).toBeVisible();

  await page.getByLabel(/^Select the 3/).check();
  await page.getByRole('button', { name: 'More…', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Export' }).click();
  await page.getByRole('button', { name: 'Create file' }).click();
  const file = await page.getByRole('link', { name: 'Download' }).getAttribute('href');
  const text = await (await page.request.get(`${BASE}${file}`)).text();
  expect(text).toContain('Zelda,Ravenglasse,,zelda.r@tarnmail.example; z2@kelpmail.example,+15645550190');
  expect(text).toContain('+15645550191 x3');

  await page.goto('/contacts/import');
  await page.getByRole('button', { name: 'harbour roll.csv' }).click();
  await page.getByRole('button', { name: 'Undo import' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Undo import' }).click();
  await expect(page.getByText(/^Undone: \d+ rows/)).toBeVisible();
});

test('the grid by keyboard alone: move, choose a range, all, nobody; columns and their order are kept', async ({ page }) => {
  await logIn(page, 'agent3');
  await page.goto('/contacts');
  await page.locator('[data-keys="heard"]').waitFor();
  await expect(page.getByRole('row').nth(2)).toBeVisible();
  for (const key of ['j', 'x', 'Shift+ArrowDown', 'Shift+ArrowDown']) await page.keyboard.press(key);
  await expect(page.getByText(/^3 of [\d,]+ selected/)).toBeVisible();
  await page.keyboard.press('Shift+A');
  await expect(page.getByText(/^([\d,]+) of \1 selected/)).toBeVisible();
  await page.keyboard.press('Shift+X');
  await expect(page.getByRole('toolbar', { name: 'Actions for the selected contacts' })).toBeHidden();
  await page.getByRole('button', { name: 'Columns' }).click();
  await page.getByLabel('Phone', { exact: true }).click();
  await expect(page.getByLabel('Phone', { exact: true })).toBeChecked();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Phone', exact: true }).press('Shift+ArrowLeft');
  const headings = async () => (await page.getByRole('columnheader').allTextContents()).map((text) => text.replace(/ [↑↓]/, ''));
  const before = await headings();
  expect(before.at(-2)).toBe('Phone');
  await page.getByRole('button', { name: 'Name', exact: true }).click();
  await expect(page.getByRole('columnheader', { name: /^Name/ })).toHaveAttribute('aria-sort', 'ascending');
  await page.reload();
  await page.locator('[data-keys="heard"]').waitFor();
  await expect(page.getByRole('columnheader', { name: /^Name/ })).toHaveAttribute('aria-sort', 'ascending');
  expect(await headings()).toEqual(before);
});

test('a stage of one’s own is made, used and removed with where its people go; the file that comes back is ordered; they said no to letters', async ({
  page,
}) => {
  await logIn(page, 'admin');
  await page.goto('/setup/stages');
  await page.locator('[data-keys="heard"]').waitFor();
  await page.getByLabel('New name: stage').fill('Looking around');
  await page.getByLabel('Meaning: new stage').fill('Sees houses with us');
  await page.getByRole('region', { name: 'Stages' }).getByRole('button', { name: 'Add' }).click();
  await expect(page.getByLabel('Name of Looking around')).toHaveValue('Looking around');

  await page.goto('/contacts');
  await page.locator('[data-keys="heard"]').waitFor();
  const hot = page.getByRole('toolbar', { name: 'Segments' }).getByRole('button', { name: /^Hot/ });
  await hot.click();
  /* Whoever is chosen before the segment is open is chosen in the list of before. */
  await expect(hot).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('row').nth(1).getByRole('checkbox').check();
  await page.getByRole('toolbar', { name: 'Actions for the selected contacts' }).getByRole('button', { name: 'Stage' }).click();
  await page.getByLabel('Looking around').check();
  await page.getByRole('button', { name: 'Do it for 1' }).click();
  await expect(page.getByText('1 person: move to Looking around.')).toBeVisible();
  await page.getByRole('row').nth(1).getByRole('button').first().click();
  const dossier = page.getByRole('article', { name: /^Dossier of/ });
  await dossier.getByRole('button', { name: /^Letters (yes|no|not asked)/ }).click();
  await page.getByLabel('They said no').check();
  await page.getByLabel(/^How and where/).fill('too much paper');
  await page.getByRole('button', { name: 'Record' }).click();
  await expect(dossier.getByRole('button', { name: 'Letters no', exact: true })).toBeVisible();
  await page.keyboard.press('Escape');

  await page.keyboard.press('Shift+A');
  await page.getByRole('button', { name: 'More…', exact: true }).click();
  await page.getByRole('menuitem', { name: /Export/ }).click();
  await page.getByLabel('When', { exact: true }).selectOption('week');
  await page.getByPlaceholder('Letters for the printer').fill('For Monday');
  await page.getByRole('button', { name: 'Schedule every Monday at 7 AM' }).click();
  await page.getByRole('button', { name: 'Database' }).click();
  await page.getByRole('menuitem', { name: 'Exports…' }).click();
  await expect(page.getByText('CSV, every Monday at 7 AM')).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText('“For Monday” is no longer scheduled.')).toBeVisible();

  await page.goto('/setup/stages');
  await page.locator('[data-keys="heard"]').waitFor();
  await page.getByRole('button', { name: 'Remove Looking around…' }).click();
  await page.getByRole('dialog').getByRole('combobox').selectOption({ label: 'move to “Talking”' });
  await page.getByRole('button', { name: 'Move 1 person to “Talking”' }).click();
  await expect(page.getByText('1 person: move to Talking from the stage Looking around, which is removed.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Undone for 1 person.')).toBeVisible();
  await expect(page.getByLabel('Name of Looking around')).toHaveCount(1);
});

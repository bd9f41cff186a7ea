/** A morning by keyboard alone: no click, no pointer. Log in, work Today, change contacts where they stand, many at once, undo, add a lead. */
import type { Locator, Page } from '@playwright/test';
import { expect, test } from './fixtures';

/** Goes by Tab until it is where it should be. */
async function tabTo(page: Page, to: Locator, key = 'Tab'): Promise<void> {
  for (let n = 0; n < 60; n += 1) {
    if (await to.evaluate((element) => element === document.activeElement || element.contains(document.activeElement))) return;
    await page.keyboard.press(key);
  }
  throw new Error('Tab never came there');
}
const press = async (page: Page, ...keys: string[]): Promise<void> => {
  for (const key of keys) await page.keyboard.press(key);
};

test('a morning by keyboard alone', async ({ page }) => {
  test.setTimeout(120_000);
  await page.goto('/login');
  await tabTo(page, page.getByLabel('Email'));
  await page.keyboard.type('agent1@urraca.example');
  await tabTo(page, page.getByLabel('Password'));
  await page.keyboard.type('urraca-demo');
  await press(page, 'Enter');
  await page.locator('[data-keys="heard"]').waitFor();

  /* Today: a note, the next touch, the next person. */
  const people = page.locator('[data-contact]');
  await expect(people.first()).toHaveAttribute('aria-current', 'true');
  await expect(page.getByRole('article', { name: /^Dossier of/ })).toBeVisible();
  await press(page, 'o');
  await expect(page.getByRole('textbox', { name: 'Note' })).toBeFocused();
  await page.keyboard.type('Wants a slip for the boat');
  await press(page, 'Control+Enter');
  await expect(page.getByRole('form', { name: 'Note' })).toBeHidden();
  await expect(page.getByRole('article').getByText('Wants a slip for the boat').first()).toBeVisible();
  await press(page, 's');
  await expect(page.getByRole('group', { name: 'Next touch' })).toBeVisible();
  await press(page, '2');
  await expect(page.getByRole('group', { name: 'Next touch' })).toBeHidden();

  /* The help, and out of it again. */
  await press(page, '?');
  await expect(page.getByRole('dialog', { name: 'Shortcuts' })).toContainText('Undo, while its notice is there');
  await press(page, 'Escape');
  await expect(page.getByRole('dialog')).toBeHidden();

  /* Contacts: the horizon where it stands, then back by z. */
  await press(page, 'g', 'c');
  await page.waitForURL(/\/contacts/);
  const rows = page.locator('tr[data-row]');
  await expect(rows.first()).toBeVisible();
  await press(page, 'j', 'j');
  const row = page.locator('tr[data-at]');
  await press(page, 'Shift+H');
  await expect(page.getByRole('menu')).toBeVisible();
  /* By its place: while the menu is open, nothing behind it has a role. */
  const horizon = row.locator('[data-cell="horizon"] [role="img"]');
  const before = await horizon.getAttribute('aria-label');
  await press(page, 'ArrowDown', 'Enter');
  await expect(page.getByText(/^(No horizon\.|Horizon: )/)).toBeVisible();
  await expect(horizon).not.toHaveAttribute('aria-label', before!);
  await press(page, 'z');
  await expect(horizon).toHaveAttribute('aria-label', before!);
  await expect(row.locator('[data-name]')).toBeFocused();

  /* Several at once: a tag that is made in passing, undone from its notice. */
  await press(page, 'x', 'Shift+ArrowDown');
  await expect(page.getByText(/^2 of [\d,]+ selected/)).toBeVisible();
  await press(page, '#');
  await expect(page.getByRole('combobox', { name: 'Add tags' })).toBeFocused();
  await page.keyboard.type('boat slip');
  await expect(page.getByRole('option', { name: /boat slip/ })).toBeVisible();
  await press(page, 'ArrowDown', 'Enter');
  await expect(page.getByRole('dialog').getByText(/2 people get the tag boat slip/)).toBeVisible();
  await tabTo(page, page.getByRole('button', { name: 'Do it for 2' }));
  await press(page, 'Enter');
  await expect(page.getByText(/^2 people: get the tag boat slip/)).toBeVisible();
  await press(page, 'z');
  await expect(page.getByText('Undone for 2 people.')).toBeVisible();

  /* A condition, by its key, and the sentence says it. */
  await press(page, 'f');
  await expect(page.getByRole('dialog', { name: 'Condition' }).getByRole('combobox')).toBeFocused();
  await page.keyboard.type('Stage');
  await expect(page.getByRole('option', { name: 'Stage', exact: true })).toBeVisible();
  await press(page, 'Enter');
  await tabTo(page, page.getByRole('dialog', { name: 'Condition' }).getByRole('checkbox', { name: 'Talking' }));
  await press(page, 'Space', 'Escape');
  await expect(page.getByRole('button', { name: /Talking/ }).first()).toBeVisible();
  await expect(page).toHaveURL(/where=/);

  /* One opened and closed: the focus is where it was. */
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect(rows.first()).toContainText('Talking');
  await press(page, 'Home', 'Enter');
  await expect(page.getByRole('article', { name: /^Dossier of/ })).toBeVisible();
  await press(page, 'Escape');
  await expect(page.getByRole('article')).toBeHidden();
  await expect(page.locator('tr[data-at] [data-name]')).toBeFocused();

  /* A lead from anywhere; what is wrong is said at its field, Esc asks first. */
  await press(page, 'n');
  await expect(page.getByLabel('First name')).toBeFocused();
  await page.keyboard.type('Ottilie');
  await press(page, 'Tab');
  await page.keyboard.type('Keys');
  await press(page, 'Enter');
  await expect(page.getByLabel('Phone', { exact: true })).toHaveAttribute('aria-invalid', 'true');
  await press(page, 'Escape');
  await expect(page.getByText('Discard what you typed?')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep editing' })).toBeFocused();
  await press(page, 'Enter');
  await tabTo(page, page.getByLabel('Phone', { exact: true }), 'Tab');
  await page.keyboard.type('564-555-0136');
  await press(page, 'Enter');
  await expect(page.getByRole('article', { name: 'Dossier of Ottilie Keys' })).toBeVisible();
  await expect(page.getByRole('article').getByText('(564) 555-0136').first()).toBeVisible();

  /* Out by the menu under the initials. */
  await press(page, 'Escape');
  await tabTo(page, page.getByRole('button', { name: /setup, days off, log out/ }), 'Shift+Tab');
  await press(page, 'Enter');
  await expect(page.getByRole('menu')).toBeVisible();
  await press(page, 'End', 'Enter');
  await page.waitForURL(/\/login/);
});

/** What must be seen at once. It runs alone: beside others it would measure the machine. */
import { expect, leadFor, logIn, test, workingHours } from './fixtures';

test.beforeEach(workingHours);

test('a lead is seen within a second of its arrival, with its name, on the page of whoever gets it', async ({ page }) => {
  await logIn(page, 'agent1');
  await expect(page.getByRole('heading', { name: /people today/ })).toBeVisible();
  const lead = await leadFor('Asta Lund', {
    first_name: 'Tamsin',
    last_name: 'Atonce',
    emails: ['tamsin@atonce.example'],
    phones: ['(564) 555-0179'],
  });
  await expect(page.getByText(/^New lead: /)).toBeVisible({ timeout: 1_500 });
  await expect(page.locator(`[data-contact="${lead.contact.id}"]`)).toContainText('Tamsin Atonce');
});

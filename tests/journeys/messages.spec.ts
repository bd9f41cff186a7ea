/** A template written under its checks, a broadcast counted, sent, paused, resumed and answered, and the answer read in the inbox. */
import { advance, api, expect, logIn, received, script, test, type CapturedLead, workingHours } from './fixtures';

const somebody = async (n: number): Promise<string> => {
  const { body } = await api<CapturedLead>('/inquiries', 'POST', {
    person: { first_name: `Quill${n}`, last_name: 'Harrow', emails: [`quill${n}@harrow.example`], phones: [`(564) 555-016${n}`] },
    roles: ['vendor'],
    permissions: { email: true },
    tags: ['harrow street'],
    on_the_phone: true,
  });
  return body.contact.id;
};

test.beforeEach(workingHours);

test('a template says what is wrong with its words and where, is tried on oneself, and shows itself as a person will see it', async ({
  page,
}) => {
  await logIn(page, 'admin');
  await page.goto('/campaigns/templates');
  await page.locator('[data-keys="heard"]').waitFor();
  await page.getByRole('button', { name: 'New template' }).click();
  await page.getByRole('radio', { name: 'text' }).check();
  await page.getByLabel('Name').fill('After the market day');
  await page.getByRole('button', { name: 'Create' }).click();
  await expect(page.getByLabel('Name of the template')).toHaveValue('After the market day');
  const words = page.getByLabel('Words', { exact: true });
  await words.fill('{Hello|Good day} {{ first_nam }}, act now. Perfect for young families.');
  const checks = page.getByRole('region', { name: 'Checks' });
  await expect(checks).toContainText('There’s no “first_nam”.');
  await expect(checks).toContainText('“act now” presses.');
  await expect(checks).toContainText('touches families');
  await checks.getByRole('button', { name: /Go to: There’s no/ }).click();
  await page.keyboard.type('first_name');
  await expect(words).toHaveValue('{Hello|Good day} {{ first_name }}, act now. Perfect for young families.');
  await words.fill(
    '{Hello|Good day} {{ first_name }}, {{ agent_first_name }} at {{ brokerage }}. Shall we walk your street? Reply STOP to opt out.',
  );
  await expect(page.getByText('No problems found.')).toBeVisible();
  await page.getByRole('button', { name: '2 wordings' }).click();
  await expect(page.getByRole('region', { name: 'Wordings of the words' })).toContainText(
    'Good day Oda, Asta at Tern & Tiller Realty.',
  );
  await expect(page.getByRole('region', { name: 'Preview' })).toContainText('Shall we walk your street?');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.').first()).toBeVisible();
  await page.getByRole('button', { name: 'Send me a test' }).click();
  await expect(page.getByText('Sent to your own phone').first()).toBeVisible();
  const { body: people } = await api<{ items: { name: string; phone: string }[] }>('/users');
  const me = people.items.find(({ name }) => name === 'Ines Kolar')!;
  await expect
    .poll(async () => (await received(me.phone)).some(({ body }) => body.includes('Shall we walk your street?')))
    .toBe(true);
});

test('a broadcast is counted before, goes at its throttle, is paused and resumed; an answer of the first hour stands on top and in the inbox', async ({
  page,
}) => {
  test.setTimeout(120_000);
  for (let n = 1; n <= 5; n += 1) await somebody(n);
  await script('quill2@harrow.example', { answers: [{ to: 'email', after: 'PT20M', body: 'Could you call me about it?' }] });
  await logIn(page, 'admin');
  await page.goto('/contacts?q=harrow.example');
  await page.locator('[data-keys="heard"]').waitFor();
  await expect(page.getByRole('row', { name: /Quill1 Harrow/ })).toBeVisible();
  await page.keyboard.press('Shift+A');
  await page.getByRole('button', { name: 'More…', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Broadcast…' }).click();
  await page.waitForURL(/broadcasts\/\d+/);
  await expect(page.getByRole('region', { name: 'Recipients' })).toContainText('5 of 5 get it, once each');
  await page.getByLabel('Subject').fill('Your street');
  await page.getByLabel('Words', { exact: true }).fill('Hello {{ first_name }}, a word about your street.');
  await page.getByLabel(/Plain version/).fill('Hello, a word about your street.');
  await page.getByLabel('Most messages per minute').fill('2');
  await page.getByRole('button', { name: 'Send now to 5…' }).click();
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Pause', exact: true })).toBeVisible();
  await expect(page.getByText('2 of 5 sent')).toBeVisible({ timeout: 15_000 });
  await page.getByRole('button', { name: 'Pause', exact: true }).click();
  await expect(page.getByText('Paused. 3 wait.').first()).toBeVisible();
  await advance('PT5M');
  await expect(page.getByText('2 of 5 sent')).toBeVisible();
  await page.getByRole('button', { name: 'Resume' }).click();
  await advance('PT40M');
  await expect(page.getByText('5 of 5 sent')).toBeVisible();
  await expect(page.getByText('One person replied within the first hour.')).toBeVisible();
  await page.getByRole('button', { name: /Replied within a week/ }).click();
  const behind = page.getByRole('region', { name: 'People' });
  await expect(behind).toContainText('Quill2 Harrow');
  await expect(behind).toContainText('Could you call me about it?');
  const mails = await received('quill1@harrow.example');
  expect(mails).toHaveLength(1);
  expect(mails[0]!.body).toContain('Hello Quill1, a word about your street.');

  await page.keyboard.press('g');
  await page.keyboard.press('b');
  await page.waitForURL(/inbox/);
  const row = page.getByRole('button', { name: /Quill2 Harrow.*Could you call me/s });
  await expect(row).toContainText('Call them');
  await row.click();
  await expect(page.getByRole('article', { name: 'Dossier of Quill2 Harrow' })).toBeVisible();
  await page.getByRole('button', { name: 'Mark Quill2 Harrow as read' }).click();
  await expect(row).toBeHidden();
  await page.getByRole('group', { name: 'Which conversations' }).getByRole('button', { name: 'All' }).click();
  await expect(row).toBeVisible();
});

/** One lead the whole way, as the agent sees it, worked from the keyboard. */
import { advance, api, expect, leadFor, logIn, received, script, SIMULATOR, test, workingHours } from './fixtures';

const ODA = { first_name: 'ODA', last_name: 'brandvold', emails: ['oda@brandvold.example'], phones: ['(564) 555-0123'] };
const PHONE = '+15645550123';

test.beforeEach(workingHours);

test('arrives, is seen, answers, is called, becomes a client, stands in Results', async ({ page }) => {
  await script(PHONE, {
    answers: [{ to: 'text', after: 'PT10M', body: 'Could we see it on Saturday?' }],
    call: 'answers',
    talk: 'PT30M',
  });
  await logIn(page, 'agent1');
  await expect(page.getByRole('heading', { name: /people today/ })).toBeVisible();
  const lead = await leadFor('Asta Lund', ODA);
  await expect(page.getByText(/^New lead: /)).toBeVisible();
  const row = page.locator(`[data-contact="${lead.contact.id}"]`);
  await expect(row).toContainText('Oda Brandvold');
  await expect(row).toContainText(/0:\d\d/);

  await expect.poll(async () => (await received(PHONE)).map(({ channel }) => channel)).toEqual(['text']);
  await advance('PT15M');
  await expect(page.getByRole('region', { name: 'People to contact' })).toContainText('Could we see it on Saturday?');
  await row.click();
  const dossier = page.getByRole('article', { name: 'Dossier of Oda Brandvold' });
  await expect(dossier).toContainText('“New buyer” stopped: they replied by text.');
  await expect(dossier.getByRole('button', { name: 'Stage: Talking' })).toBeVisible();

  await page.keyboard.press('c');
  const call = page.getByRole('region', { name: 'Call', exact: true });
  await expect(call).toContainText('Answered', { timeout: 12_000 });
  await page.keyboard.type('Wants Saturday at ten, sister comes along');
  await advance('PT5M');
  await page.keyboard.press('Escape');
  await page.keyboard.press('h');
  await expect(call).toContainText('Call ended: talked');
  await page.keyboard.press('1');
  await expect(page.getByRole('group', { name: 'Next touch' })).toBeVisible();
  await page.keyboard.press('2');
  await expect(page.getByRole('group', { name: 'Next touch' })).toBeHidden();
  await expect(dossier).toBeHidden();
  const { body: contact } = await api<{
    next_touch: { kind: string };
    calls: { attempts: number; conversations: number; talk_seconds: number };
  }>(`/contacts/${lead.contact.id}`);
  expect(contact.next_touch.kind).toBe('promise');
  expect(contact.calls).toMatchObject({ attempts: 1, conversations: 1 });
  expect(contact.calls.talk_seconds).toBeGreaterThanOrEqual(300);

  await page.goto(`/contacts/${lead.contact.id}`);
  await page.locator('[data-keys="heard"]').waitFor();
  await expect(page.getByText('Wants Saturday at ten, sister comes along')).toBeVisible();
  await page.getByRole('button', { name: /^Stage: / }).click();
  await page.getByRole('menuitem', { name: /^Client/ }).click();
  await expect(page.getByText('Stage: Client. Campaigns ended.')).toBeVisible();

  await page.keyboard.press('g');
  await page.keyboard.press('u');
  await expect(page.getByRole('heading', { name: 'Results' })).toBeVisible();
  const row1 = page.getByRole('row', { name: /Asta Lund/ }).first();
  const clients = Number(await row1.getByRole('link').nth(5).textContent());
  await row1.getByRole('link').nth(5).click();
  await expect(page.getByRole('heading', { name: new RegExp(`^${clients} clients, Asta Lund`) })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Oda Brandvold' })).toBeVisible();
});

test('the whole campaign to the end: email with its unsubscribe link, which works by one click', async ({ page }) => {
  const lead = await leadFor('Asta Lund', {
    first_name: 'Wren',
    last_name: 'Adair',
    emails: ['wren@adair.example'],
    phones: ['(564) 555-0177'],
  });
  await advance('P2D');
  const mail = (await received('wren@adair.example'))[0]!;
  expect(mail.subject).toBe('Homes you asked about');
  const link = /http\S+\/u\/\S+/.exec(mail.body)![0];
  await page.goto(link);
  await expect(page.getByRole('button', { name: 'Unsubscribe' })).toBeVisible();
  const oneClick = await fetch(link, {
    method: 'POST',
    headers: { 'content-type': 'application/x-www-form-urlencoded' },
    body: 'List-Unsubscribe=One-Click',
  });
  expect(oneClick.status).toBe(200);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'You’re unsubscribed' })).toBeVisible();
  const { body: contact } = await api<{ permissions: { email: string } }>(`/contacts/${lead.contact.id}`);
  expect(contact.permissions.email).toBe('withdrawn');
});

test('whoever was just answered stays open, though the reason is gone from the queue', async ({ page }) => {
  await script('+15645550188', { answers: [{ to: 'text', after: 'PT1M', body: 'Is it still there?' }] });
  const lead = await leadFor('Jory Pell', {
    first_name: 'Piet',
    last_name: 'Stays',
    emails: ['piet@stays.example'],
    phones: ['(564) 555-0188'],
  });
  await expect.poll(async () => (await received('+15645550188')).length).toBe(1);
  await advance('PT5M');
  await logIn(page, 'agent2');
  await page.locator(`[data-contact="${lead.contact.id}"]`).click();
  const dossier = page.getByRole('article', { name: 'Dossier of Piet Stays' });
  await expect(dossier).toContainText('Is it still there?');
  await page.keyboard.press('t');
  await page.keyboard.type('It is. Shall we go on Saturday?');
  await expect(page.getByRole('button', { name: /^Send the text/ })).toBeEnabled();
  await page.keyboard.press('Control+Enter');
  await expect(page.locator(`[data-contact="${lead.contact.id}"]`)).toBeHidden();
  await expect(dossier).toContainText('It is. Shall we go on Saturday?');
  expect((await received('+15645550188')).at(-1)).toMatchObject({ channel: 'text', body: 'It is. Shall we go on Saturday?' });
});

test('a note typed while the other side hangs up stays a note; keys act after Esc', async ({ page }) => {
  const phone = '+15645550124';
  await script(phone, { call: 'answers', talk: 'PT1M' });
  const lead = await leadFor('Asta Lund', { first_name: 'Tilda', last_name: 'Moorland', emails: [], phones: ['(564) 555-0124'] });
  /* Whoever just wrote may be called back at any hour, whatever time the journeys before have come to. */
  await fetch(`${SIMULATOR}/send`, {
    method: 'POST',
    body: JSON.stringify({ channel: 'text', from: phone, to: '+13605550110', body: 'Could you call me?' }),
  });
  const wrote = async () => {
    const { body } = await api<{ items: { kind: string; direction: string }[] }>(`/contacts/${lead.contact.id}/timeline`);
    return body.items.some(({ kind, direction }) => kind === 'message' && direction === 'in');
  };
  await expect.poll(wrote).toBe(true);
  await logIn(page, 'agent1');
  await page.goto(`/contacts/${lead.contact.id}`);
  const dossier = page.getByRole('article', { name: 'Dossier of Tilda Moorland' });
  await expect(dossier).toContainText('Could you call me?');
  await page.locator('[data-keys="heard"]').waitFor();
  await page.keyboard.press('c');
  const call = page.getByRole('region', { name: 'Call', exact: true });
  await expect(call).toContainText('Answered', { timeout: 12_000 });
  await page.keyboard.type('Wants ');
  await advance('PT5M');
  await expect(call).toContainText('Call ended', { timeout: 12_000 });
  await page.keyboard.type('2 baths, a hot tub');
  await expect(call.getByRole('textbox', { name: 'Notes during the call' })).toHaveValue('Wants 2 baths, a hot tub');
  await expect(page.getByRole('group', { name: 'Outcome of the call' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('1');
  await expect(page.getByRole('group', { name: 'Next touch' })).toBeVisible();

  /* In Contacts, with the list beside it, h ends the call as well. */
  await page.goto(`/contacts?contact=${lead.contact.id}`);
  await page.locator('[data-keys="heard"]').waitFor();
  await expect(dossier).toContainText('Could you call me?');
  await page.keyboard.press('c');
  await expect(call).toContainText('Answered', { timeout: 12_000 });
  await page.keyboard.press('Escape');
  await page.keyboard.press('h');
  await expect(call).toContainText('Call ended');
  await expect(page).toHaveURL(/\/contacts\?contact=/);
});

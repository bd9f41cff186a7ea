/** The doors: the public page, a lead added by hand, the API with bad input. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import nodemailer from 'nodemailer';
import { advance, api, expect, logIn, test, type CapturedLead } from './fixtures';

/** A mail as a portal sends it, to a lead mailbox of the house. */
const mail = (file: string, to: string): Promise<void> =>
  mailText(readFileSync(join(import.meta.dirname, '../data/mails', file)), to);
async function mailText(raw: string | Buffer, to: string): Promise<void> {
  const post = nodemailer.createTransport({
    host: '127.0.0.1',
    port: Number(process.env.MAIL_DOOR_PORT ?? 2535),
    ignoreTLS: true,
  });
  await post.sendMail({ envelope: { from: 'portal@brackwater.example', to }, raw });
  post.close();
}

test('a lead mailbox is made and takes a portal’s mails; one that names no way to reach anybody waits and is completed', async ({
  page,
}) => {
  await logIn(page, 'admin');
  await page.goto('/intake');
  await page.locator('[data-keys="heard"]').waitFor();
  await page.getByRole('button', { name: 'Add a lead mailbox' }).click();
  await page.getByLabel('Who sends these emails').fill('Brackwater Listings');
  await page.keyboard.press('Enter');
  const doors = page.getByRole('region', { name: 'Doors' });
  const door = doors.locator('[data-door]', { hasText: 'Brackwater Listings' });
  const address = await door.locator('code').innerText();
  await door.getByRole('button', { name: 'Edit' }).click();
  await page.getByLabel('Tags, separated by commas').fill('brackwater');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(door).toContainText('tagged brackwater');

  await mail('29-malformed-boundary.eml', address);
  await mail('23-unreachable.eml', address);
  const stream = page.getByRole('region', { name: 'Inquiries' });
  await expect(stream.getByText('Dorothea Smeaton')).toBeVisible();
  await stream.getByText('Dorothea Smeaton').click();
  await expect(page.getByRole('region', { name: 'One inquiry' }).locator('mark').first()).toBeVisible();
  const waiting = page.getByRole('region', { name: 'Emails to review' });
  await waiting.getByText('New post from the contact page').click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByLabel('Last name')).toHaveValue('Lindgren');
  await dialog.getByRole('button', { name: 'Add as a lead' }).click();
  await expect(dialog.getByRole('alert')).toContainText('an email address or a phone number');
  await dialog.getByLabel('Phone').fill('564-555-0169');
  await dialog.getByRole('button', { name: 'Add as a lead' }).click();
  await expect(page.getByText('Added.').first()).toBeVisible();
  await expect(stream.getByText('Perpetua Lindgren')).toBeVisible();
  const { body } = await api<{ items: { tags: string[]; source: string }[] }>('/contacts?q=5645550169');
  expect(body.items).toMatchObject([{ tags: ['brackwater'], source: 'Brackwater Listings' }]);

  await door.getByRole('button', { name: 'New address' }).click();
  await door.getByRole('button', { name: 'Replace the address' }).click();
  await expect(door.locator('code')).not.toHaveText(address);
  await expect(mail('01-portal-inline-labels.eml', address)).rejects.toThrow('550');
});

test('a correction is learned: words marked in a mail are read so in the next one of that sender', async ({ page }) => {
  const dispatch = (who: string, phone: string, n: number) =>
    `From: Moorhen Dispatch <dispatch@moorhen.example>\r\nSubject: Ticket ${n}\r\nMessage-ID: <moorhen-${n}@moorhen.example>\r\n\r\nParty of the first part: ${who}\r\nTalk line as given / ${phone} / day only\r\n`;
  await logIn(page, 'admin');
  await page.goto('/intake');
  await page.locator('[data-keys="heard"]').waitFor();
  await page.getByRole('button', { name: 'Add a lead mailbox' }).click();
  await page.getByLabel('Who sends these emails').fill('Moorhen Dispatch');
  await page.keyboard.press('Enter');
  const address = await page
    .getByRole('region', { name: 'Doors' })
    .locator('[data-door]', { hasText: 'Moorhen Dispatch' })
    .locator('code')
    .innerText();
  await mailText(dispatch('Hedda Quarrie', 'ask the desk', 1), address);
  await page.getByRole('region', { name: 'Emails to review' }).getByText('Ticket 1').click();
  const dialog = page.getByRole('dialog');
  const mark = async (words: string, as: string) => {
    await dialog.getByLabel('Original email').evaluate((pre, wanted) => {
      const walker = document.createTreeWalker(pre, NodeFilter.SHOW_TEXT);
      for (let node = walker.nextNode(); node; node = walker.nextNode()) {
        const at = node.textContent!.indexOf(wanted);
        if (at < 0) continue;
        const range = document.createRange();
        range.setStart(node, at);
        range.setEnd(node, at + wanted.length);
        const selection = window.getSelection()!;
        selection.removeAllRanges();
        selection.addRange(range);
        pre.dispatchEvent(new MouseEvent('mouseup', { bubbles: true }));
      }
    }, words);
    await dialog.getByRole('group', { name: 'What the selected text is' }).getByRole('button', { name: as }).click();
  };
  await mark('Hedda Quarrie', 'Full name');
  await expect(dialog.getByLabel('Last name')).toHaveValue('Quarrie');
  await mark('ask the desk', 'Phone');
  await dialog.getByLabel('Phone').fill('564-555-0171');
  await dialog.getByRole('button', { name: 'Add as a lead' }).click();
  await expect(page.getByText('Added.').first()).toBeVisible();

  await mailText(dispatch('Osric Vane', '(564) 555-0172', 2), address);
  const stream = page.getByRole('region', { name: 'Inquiries' });
  await stream.getByText('Osric Vane').click();
  await expect(page.getByRole('region', { name: 'One inquiry' })).toContainText('Phone(564) 555-0172');
});

test('a visitor’s mistakes are named, what was typed stays, and the lead arrives with its consent', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 800 });
  await page.goto('/p/lantern-county');
  await advance('PT2S');
  await page.getByLabel('First name').fill('Teo');
  await page.getByLabel('Email').fill('teo@');
  await page.getByRole('button', { name: 'Send' }).click();
  await expect(page.getByText('teo@ is not a valid email address')).toBeVisible();
  await expect(page.getByLabel('First name')).toHaveValue('Teo');
  await page.getByLabel('Email').fill('teo@visitor.example');
  await page.getByLabel('Phone').fill('(564) 555-0155');
  await page.getByLabel(/may text me/).check();
  await advance('PT2S');
  await page.getByRole('button', { name: 'Send' }).click();
  await expect(page.getByRole('status')).toContainText('An agent has your question');
  const { body } = await api<{ items: { id: string; permissions: object }[] }>('/contacts?q=teo%40visitor.example');
  expect(body.items).toHaveLength(1);
  const { body: contact } = await api<{ permissions: { text: string } }>(`/contacts/${body.items[0]!.id}`);
  expect(contact.permissions.text).toBe('granted');
  await page.goto('/p/nowhere');
  await expect(page.getByRole('heading', { name: 'Page not found' })).toBeVisible();
});

test('an agent adds a lead from anywhere by n; a half-written note survives a reload', async ({ page }) => {
  await logIn(page, 'agent2');
  await page.keyboard.press('n');
  await page.getByLabel('First name').fill('hanne');
  await page.getByRole('textbox', { name: 'Phone' }).fill('12');
  await page.getByRole('button', { name: 'Add lead' }).click();
  await expect(page.getByText('Enter a phone number like (360) 555-0142')).toBeVisible();
  await page.getByRole('textbox', { name: 'Phone' }).fill('564 555 0166');
  await page.getByRole('button', { name: 'Add lead' }).click();
  await expect(page.getByText('Added by hand by Jory Pell, who keeps it.').first()).toBeVisible();
  await expect(page.getByRole('article', { name: 'Dossier of Hanne' })).toBeVisible();
  await page.keyboard.press('o');
  await page.getByRole('textbox', { name: 'Note' }).fill('half a thou');
  await page.reload();
  await page.locator('[data-keys="heard"]').waitFor();
  await expect(page.getByRole('article', { name: 'Dossier of Hanne' })).toBeVisible();
  await page.keyboard.press('o');
  await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue('half a thou');
  await page.keyboard.press('Control+Enter');
  await expect(page.getByRole('article')).toContainText('half a thou');
});

test('bad input by the API gets a problem that says what is wrong; nothing is doubled', async () => {
  interface Problem {
    code: string;
    detail: string;
    errors?: { field: string }[];
  }
  const post = (body: unknown, headers: Record<string, string> = {}) =>
    api<Problem & CapturedLead>('/inquiries', 'POST', body, { authorization: 'Bearer urraca-demo-key', ...headers });
  const good = { person: { first_name: '=1+1', last_name: 'שלום 🏡 <img src=x>', emails: ['inert@words.example'] } };
  expect((await post({ person: { first_name: 'Nobody' } })).body).toMatchObject({
    code: 'input_invalid',
    errors: [{ field: 'person' }],
  });
  expect(
    (await post({ person: { emails: ['broken@'], phones: ['5'.repeat(40)] } })).body.errors!.map(({ field }) => field),
  ).toEqual(['person.emails.0', 'person.phones.0']);
  const large = await post({ ...good, message: 'x'.repeat(2_000_000) });
  expect([large.status, large.body.code, large.headers.get('content-type')]).toEqual([
    413,
    'body_too_large',
    'application/problem+json',
  ]);
  expect((await post('{"person":')).body.code).toBe('input_unreadable');
  expect((await api<Problem>('/inquiries', 'POST', good, { authorization: 'Bearer wrong' })).body.code).toBe('key_invalid');
  expect((await api<Problem>('/inquiries', 'POST', good, {})).body.code).toBe('login_required');
  const once = await post(good, { 'idempotency-key': 'words-1' });
  const twice = await post(good, { 'idempotency-key': 'words-1' });
  expect([once.status, twice.status]).toEqual([201, 201]);
  expect(twice.body).toEqual(once.body);
  const other = await post({ person: { emails: ['another@words.example'] } }, { 'idempotency-key': 'words-1' });
  expect([other.status, other.body.code]).toEqual([422, 'idempotency_mismatch']);
  const note = () =>
    api<{ id: string }>(
      `/contacts/${once.body.contact.id}/notes`,
      'POST',
      { text: 'once' },
      { authorization: 'Bearer urraca-demo-key', 'idempotency-key': 'note-1' },
    );
  const [first, second] = await Promise.all([note(), note()]);
  expect(second.body).toEqual(first.body);
});

test('markup in a name stands on the page as it was typed and does nothing', async ({ page }) => {
  const { body } = await api<CapturedLead>('/inquiries', 'POST', {
    person: {
      first_name: '<script>window.hacked=1</script>',
      last_name: '<img src=x onerror="window.hacked=1">',
      emails: ['hostile@words.example'],
    },
    message: '<b onclick=x>hello</b>',
  });
  await logIn(page, 'admin');
  await page.goto(`/contacts/${body.contact.id}`);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('<script>window.hacked=1</script>');
  expect(await page.evaluate(() => (window as { hacked?: number }).hacked)).toBeUndefined();
});

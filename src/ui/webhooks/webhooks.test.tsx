/** Webhooks: added with a secret that is shown once, tried, switched, removed once that is meant; the log says what was sent, and sends it again. */
import { screen, waitFor, within } from '@testing-library/react';
import { answering, sentTo, show, wrongAt, type Answers } from '../../../tests/harness/render';
import { Webhooks } from '.';

const HOOK = {
  id: '3',
  url: 'https://hooks.ostby.example/urraca',
  events: ['lead.received'],
  state: 'on',
  last: { at: '2026-11-23T17:24:00Z', ok: false },
  waiting: 2,
};
const DELIVERY = {
  id: '9',
  event: 'lead.received',
  made_at: '2026-11-23T17:24:00Z',
  state: 'failed',
  tries: 10,
  status: 500,
  error: 'It answered 500.',
  took_ms: 12,
  next_at: null,
  payload: '{"type":"lead.received"}',
  answer: 'oops',
};
const open = (answers: Answers = {}) => {
  const asked = answering({
    'GET /webhooks': { items: [HOOK] },
    'GET /webhooks/3/deliveries': { items: [DELIVERY], next_cursor: null },
    ...answers,
  });
  return { asked, ...show(<Webhooks />) };
};
const more = async (user: ReturnType<typeof show>['user'], choice: string) => {
  await user.click(await screen.findByRole('button', { name: `More for ${HOOK.url}` }));
  await user.click(await screen.findByRole('menuitem', { name: choice }));
};

test('each says for what it listens and how it goes', async () => {
  open();
  const part = await screen.findByRole('region', { name: 'Webhooks' });
  await waitFor(() => expect(part).toHaveTextContent(/lead\.received · failed 1 hr ago · 2 waiting/));
});

test('one is added; a wrong address says so at its field', async () => {
  const { user } = open({ 'POST /webhooks': wrongAt('url', 'Use an address that begins with https://') });
  await user.click(await screen.findByRole('button', { name: 'Add a webhook' }));
  await user.type(await screen.findByLabelText('Address'), 'http://hooks.example');
  await user.click(screen.getByRole('checkbox', { name: /A call ends/ }));
  await user.click(screen.getByRole('button', { name: 'Add' }));
  await waitFor(() => expect(screen.getByLabelText('Address')).toHaveAccessibleDescription(/begins with https/));
});

test('the secret of a new one stands until the page is left', async () => {
  const { user, asked } = open({ 'POST /webhooks': { ...HOOK, secret: 'whsec_x7' } });
  await user.click(await screen.findByRole('button', { name: 'Add a webhook' }));
  await user.type(await screen.findByLabelText('Address'), HOOK.url);
  await user.click(screen.getByRole('button', { name: 'Add' }));
  expect(await screen.findByText('whsec_x7')).toBeVisible();
  expect(sentTo(asked, 'POST /webhooks')).toEqual({ url: HOOK.url, events: ['lead.received'] });
});

test('the log says what was sent and what came back, and sends it again', async () => {
  const { user, asked } = open({ 'POST /webhook-deliveries/9/replay': null });
  await user.click(await screen.findByRole('button', { name: `Log of ${HOOK.url}` }));
  const log = within(await screen.findByRole('dialog', { name: 'Webhook log' }));
  await user.click(await log.findByRole('button', { name: /failed: It answered 500\./ }));
  expect(log.getByText(/"type": "lead\.received"/)).toBeVisible();
  expect(log.getByText('oops')).toBeVisible();
  await user.click(log.getByRole('button', { name: 'Send lead.received 9 again' }));
  expect(await screen.findByText('On its way again.')).toBeVisible();
  expect(asked.map(({ route }) => route)).toContain('POST /webhook-deliveries/9/replay');
});

test('it is switched off and on, tried, and removed once that is meant', async () => {
  const { user, asked } = open({
    'PATCH /webhooks/3': HOOK,
    'POST /webhooks/3/test': { delivery_id: '9' },
    'DELETE /webhooks/3': null,
  });
  await more(user, 'Turn off');
  await waitFor(() => expect(sentTo(asked, 'PATCH /webhooks/3')).toEqual({ on: false }));
  await more(user, 'Remove…');
  expect(asked.some(({ route }) => route === 'DELETE /webhooks/3')).toBe(false);
  await user.click(await screen.findByRole('button', { name: 'Remove' }));
  await waitFor(() => expect(asked.some(({ route }) => route === 'DELETE /webhooks/3')).toBe(true));
  await more(user, 'Send a test');
  expect(await screen.findByRole('dialog', { name: 'Webhook log' })).toBeVisible();
});

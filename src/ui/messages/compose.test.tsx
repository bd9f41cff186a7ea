/** Writing to one person: the draft survives, Ctrl+Enter sends, what is refused stays written. */
import { screen, waitFor } from '@testing-library/react';
import { answering, refusal, sentTo, show } from '../../../tests/harness/render';
import { Compose } from './compose';

const compose = (channel: 'text' | 'email' | 'letter', onClose = jest.fn(), household: string[] = []) => (
  <Compose contactId="5" name="Odalys Brandt" household={household} channel={channel} onClose={onClose} />
);
const SENT = { because: null, others: [] };
const ROUTE = 'POST /contacts/5/messages';

test('Ctrl+Enter sends it, and the draft is gone', async () => {
  const asked = answering({ [ROUTE]: SENT, 'GET /templates': { items: [] } });
  const onClose = jest.fn();
  const { user } = show(compose('email', onClose));
  expect(screen.getByRole('button', { name: /^Send the email/ })).toBeDisabled();
  await user.type(screen.getByLabelText('Subject'), 'The dock');
  await user.type(screen.getByLabelText('Email to Odalys Brandt'), 'Still yours?');
  await user.keyboard('{Control>}{Enter}{/Control}');
  await waitFor(() => expect(onClose).toHaveBeenCalled());
  expect(sentTo(asked, ROUTE)).toEqual({ channel: 'email', subject: 'The dock', text: 'Still yours?', both: false });
  expect(localStorage.length).toBe(0);
});

test('the signature that ends an email stands below it; a text has none', async () => {
  const answers = {
    'GET /templates': { items: [] },
    'GET /contacts/5/merge-fields': { fields: {}, signature: 'Asta\nCoast desk' },
  };
  answering(answers);
  const { unmount } = show(compose('email'));
  expect(await screen.findByText(/Coast desk/)).toBeVisible();
  unmount();
  const asked = answering(answers);
  show(compose('text'));
  await waitFor(() => expect(asked.map(({ route }) => route)).toEqual(['GET /templates']));
});

test('Later keeps it written for the next time', async () => {
  answering({ 'GET /templates': { items: [] } });
  const first = show(compose('text'));
  await first.user.type(screen.getByLabelText('Text to Odalys Brandt'), 'Half a thou');
  expect(screen.getByText('11 of 160 characters')).toBeVisible();
  await first.user.click(screen.getByRole('button', { name: 'Later' }));
  first.unmount();
  show(compose('text'));
  expect(screen.getByLabelText('Text to Odalys Brandt')).toHaveValue('Half a thou');
});

test('one that is refused stays, with why', async () => {
  answering({ [ROUTE]: refusal(409, { code: 'touch_refused', detail: 'They opted out.' }), 'GET /templates': { items: [] } });
  const onClose = jest.fn();
  const { user } = show(compose('text', onClose));
  await user.type(screen.getByLabelText('Text to Odalys Brandt'), 'Hello');
  await user.click(screen.getByRole('button', { name: /^Send the text/ }));
  expect(await screen.findByText('They opted out.')).toBeVisible();
  expect(screen.getByLabelText('Text to Odalys Brandt')).toHaveValue('Hello');
  expect(onClose).not.toHaveBeenCalled();
});

test('a letter goes to both of a household, if one says so', async () => {
  const asked = answering({
    [ROUTE]: { because: null, others: [{ name: 'Jago', sent: false, because: 'no address' }] },
    'GET /templates': { items: [] },
  });
  const { user } = show(compose('letter', jest.fn(), ['Jago']));
  await user.type(screen.getByLabelText('Letter to Odalys Brandt'), 'Dear both');
  await user.click(screen.getByRole('checkbox', { name: 'One letter to both, with Jago' }));
  await user.click(screen.getByRole('button', { name: /^Send the letter/ }));
  expect(await screen.findByText(/Not sent to Jago: no address/)).toBeVisible();
  expect(sentTo(asked, ROUTE)).toMatchObject({ both: true });
});

test('a template comes filled in for them, and is written on', async () => {
  const template = (id: string, name: string, errors: number) => ({
    id,
    name,
    channel: 'text',
    words: { text: 'Hi {{ first_name }}, homes in {{ city }}?', plain: 'Hi, homes nearby?' },
    findings: { errors, warnings: 0 },
  });
  answering({
    'GET /templates': { items: [template('4', 'First hello', 0), template('5', 'Broken', 2)] },
    'GET /contacts/5/merge-fields': { fields: { first_name: 'Odalys', city: 'Saltmarsh' }, texted_before: true },
  });
  const { user } = show(compose('text'));
  const choice = await screen.findByLabelText('From a template');
  expect(screen.queryByRole('option', { name: 'Broken' })).toBeNull();
  await user.selectOptions(choice, 'First hello');
  const field = screen.getByLabelText('Text to Odalys Brandt');
  await waitFor(() => expect(field).toHaveValue('Hi Odalys, homes in Saltmarsh?'));
  expect(screen.queryByLabelText('From a template')).toBeNull();
});

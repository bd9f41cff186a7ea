/** A note, and a call that came in: kept half-written, saved by keys, told when it could not be. */
import { screen, waitFor } from '@testing-library/react';
import { answering, refusal, sentTo, show } from '../../../tests/harness/render';
import { Note } from './note';

const NOTES = 'POST /contacts/5/notes';
const CALLS = 'POST /contacts/5/activities';
const open = (answers: object = { [NOTES]: {}, [CALLS]: {} }) => {
  const asked = answering({ ...answers });
  const onClose = jest.fn();
  return { asked, onClose, ...show(<Note contactId="5" onClose={onClose} />) };
};
const field = (name = 'Note') => screen.getByRole('textbox', { name });

test('it is begun at once, and saved by Ctrl+Enter', async () => {
  const { user, asked, onClose } = open();
  expect(field()).toHaveFocus();
  expect(screen.getByRole('button', { name: /^Save note/ })).toBeDisabled();
  await user.keyboard('Wants a slip{Enter}and a dock');
  await user.keyboard('{Control>}{Enter}{/Control}');
  await waitFor(() => expect(onClose).toHaveBeenCalled());
  expect(sentTo(asked, NOTES)).toEqual({ text: 'Wants a slip\nand a dock' });
});

test('put off it is there again; saved it is gone', async () => {
  const first = open();
  await first.user.keyboard('Call the bank Monday');
  await first.user.click(screen.getByRole('button', { name: 'Later' }));
  expect(first.onClose).toHaveBeenCalled();
  first.unmount();
  const again = open();
  expect(field()).toHaveValue('Call the bank Monday');
  await again.user.click(screen.getByRole('button', { name: /^Save note/ }));
  await waitFor(() => expect(again.onClose).toHaveBeenCalled());
  again.unmount();
  open();
  expect(field()).toHaveValue('');
});

test('Esc puts it off and closes nothing else', async () => {
  const outside = jest.fn();
  answering({});
  const onClose = jest.fn();
  const { user } = show(
    <div onKeyDown={outside}>
      <Note contactId="5" onClose={onClose} />
    </div>,
  );
  await user.keyboard('x');
  outside.mockClear();
  await user.keyboard('{Escape}');
  expect(onClose).toHaveBeenCalledTimes(1);
  expect(outside).not.toHaveBeenCalled();
});

test('a call that came in is one that lasted, with or without words', async () => {
  const { user, asked, onClose } = open();
  await user.click(screen.getByRole('checkbox', { name: 'They called us' }));
  expect(field('What they said')).toBeVisible();
  await user.selectOptions(screen.getByRole('combobox', { name: 'How long you talked' }), 'and we talked for 10 minutes');
  await user.click(screen.getByRole('button', { name: /^Save call/ }));
  await waitFor(() => expect(onClose).toHaveBeenCalled());
  expect(sentTo(asked, CALLS)).toEqual({ kind: 'call', text: '', talk_seconds: 600 });
});

test('one that nobody answered lasted no time', async () => {
  const { user, asked } = open();
  await user.click(screen.getByRole('checkbox', { name: 'They called us' }));
  await user.selectOptions(screen.getByRole('combobox', { name: 'How long you talked' }), 'and no one answered');
  await user.click(screen.getByRole('button', { name: /^Save call/ }));
  await waitFor(() => expect(sentTo(asked, CALLS)).toMatchObject({ talk_seconds: 0 }));
});

test('what could not be saved is said, and stays', async () => {
  const { user, onClose } = open({ [NOTES]: refusal(503, { code: 'unavailable', detail: 'Not saved. Try again in a moment.' }) });
  await user.keyboard('Wants a slip');
  await user.click(screen.getByRole('button', { name: /^Save note/ }));
  expect(await screen.findByText('Not saved. Try again in a moment.')).toBeVisible();
  expect(field()).toHaveValue('Wants a slip');
  expect(onClose).not.toHaveBeenCalled();
});

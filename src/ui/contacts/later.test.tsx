/** What is typed while an editor is on its way goes into it, not to the page's keys. */
import { fireEvent, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { show } from '../../../tests/harness/render';
import { useShortcuts } from '../primitives';
import { Compose, Note } from './later';

const called = jest.fn();
function Keys() {
  useShortcuts('dossier', { call: called });
  return null;
}

test.each([
  ['a text', 'Text to Oda', <Compose key="text" contactId="c1" name="Oda" household={[]} channel="text" onClose={() => {}} />],
  ['a note', 'Note', <Note key="note" contactId="c1" onClose={() => {}} />],
])('%s', async (_, label, part) => {
  show(
    <>
      <Keys />
      {part}
    </>,
  );
  const waiting = screen.getByLabelText('Opening…');
  expect(waiting).toHaveFocus();
  fireEvent.keyDown(waiting, { key: 'c' });
  fireEvent.change(waiting, { target: { value: 'Can' } });
  const field = await screen.findByRole('textbox', { name: label });
  expect(field).toHaveFocus();
  await userEvent.keyboard(' we go on Saturday?');
  expect(field).toHaveValue('Can we go on Saturday?');
  expect(called).not.toHaveBeenCalled();
});

/** A dialog: Enter saves, Esc closes, and asks only when something would be lost. */
import { useState } from 'react';
import { screen } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { Dialog, Field, Input } from '.';

function Rename({ onSubmit, onClose, error }: { onSubmit: () => void; onClose: () => void; error?: unknown }) {
  const [name, setName] = useState('Hot');
  return (
    <Dialog title="Rename segment" onClose={onClose} onSubmit={onSubmit} dirty={name !== 'Hot'} may={name !== ''} error={error}>
      <Field label="Name">
        {(control) => <Input {...control} autoFocus value={name} onChange={(event) => setName(event.target.value)} />}
      </Field>
    </Dialog>
  );
}

test('Enter saves, unless what is needed is missing', async () => {
  const saved = jest.fn();
  const { user } = show(<Rename onSubmit={saved} onClose={() => {}} />);
  await user.clear(screen.getByRole('textbox', { name: 'Name' }));
  await user.keyboard('{Enter}');
  expect(saved).not.toHaveBeenCalled();
  await user.keyboard('Warm{Enter}');
  expect(saved).toHaveBeenCalledTimes(1);
});

test('Esc closes at once what nobody changed', async () => {
  const closed = jest.fn();
  const { user } = show(<Rename onSubmit={() => {}} onClose={closed} />);
  await user.keyboard('{Escape}');
  expect(closed).toHaveBeenCalledTimes(1);
});

test('Esc asks before what was typed is lost, and one can go on', async () => {
  const closed = jest.fn();
  const { user } = show(<Rename onSubmit={() => {}} onClose={closed} />);
  await user.type(screen.getByRole('textbox', { name: 'Name' }), ' leads');
  await user.keyboard('{Escape}');
  expect(closed).not.toHaveBeenCalled();
  expect(screen.getByRole('alert')).toHaveTextContent('Discard what you typed?');
  await user.click(screen.getByRole('button', { name: 'Keep editing' }));
  expect(screen.getByRole('textbox', { name: 'Name' })).toHaveValue('Hot leads');
  expect(screen.getByRole('textbox', { name: 'Name' })).toHaveFocus();
  await user.keyboard('{Escape}{Escape}');
  expect(screen.queryByRole('alert')).toBeNull();
  expect(closed).not.toHaveBeenCalled();
  await user.click(screen.getByRole('button', { name: 'Cancel' }));
  await user.click(screen.getByRole('button', { name: 'Discard changes' }));
  expect(closed).toHaveBeenCalledTimes(1);
});

test('it is named by its title, and says what went wrong', () => {
  show(<Rename onSubmit={() => {}} onClose={() => {}} error={new Error('Couldn’t save: the name is taken.')} />);
  expect(screen.getByRole('dialog', { name: 'Rename segment' })).toBeVisible();
  expect(screen.getByRole('alert')).toHaveTextContent('the name is taken');
});

/** Search from the first key on: people by what is typed, areas by their name, one Enter to be there. */
import { screen, waitFor } from '@testing-library/react';
import { ODALYS } from '../../../tests/harness/people-of-forms';
import { answering, going, show } from '../../../tests/harness/render';
import { SearchDialog } from './search-dialog';

const found = (items: unknown[]) => ({ 'GET /contacts': { items, next_cursor: null, approximate: false } });

test('what is typed before it is there is not lost, and finds the person', async () => {
  answering(found([ODALYS]));
  const went = going();
  const onClose = jest.fn();
  const { user } = show(<SearchDialog role="admin" onClose={onClose} />);
  await user.keyboard('odal');
  const box = await screen.findByRole('combobox', { name: 'Search contacts or go to an area' });
  expect(box).toHaveValue('odal');
  expect(await screen.findByRole('option', { name: /Odalys Brandt/ })).toHaveTextContent('Talking · Saltmarsh · (360) 555-0142');
  await user.click(box);
  await user.keyboard('{ArrowDown}{Enter}');
  await waitFor(() => expect(went).toEqual(['/contacts?contact=5']));
  expect(onClose).toHaveBeenCalled();
});

test('areas are gone to by their name; a role is offered its own', async () => {
  answering(found([]));
  const went = going();
  const { user } = show(<SearchDialog role="agent" onClose={jest.fn()} />);
  const box = await screen.findByRole('combobox', { name: 'Search contacts or go to an area' });
  await user.type(box, 'mark');
  await screen.findByRole('option', { name: /Go to Market/ });
  await user.keyboard('{ArrowDown}{Enter}');
  await waitFor(() => expect(went).toEqual(['/market']));
});

test('nothing found is said', async () => {
  answering(found([]));
  const { user } = show(<SearchDialog role="admin" onClose={jest.fn()} />);
  await user.type(await screen.findByRole('combobox', { name: 'Search contacts or go to an area' }), 'zzz');
  expect(await screen.findByText('No matches for “zzz”.')).toBeInTheDocument();
});

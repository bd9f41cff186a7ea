/** One person or two: merging with somebody chosen by hand, splitting, somebody of the household by typing a name. */
import { screen, waitFor, within } from '@testing-library/react';
import { address, ODALYS } from '../../../tests/harness/people-of-forms';
import { answering, sentTo, show, wrongAt } from '../../../tests/harness/render';
import { Household } from './household';
import { Merges } from './merges';

const HOLDS_TWO = {
  ...ODALYS,
  addresses: { phones: [address('+13605550142'), address('+13605550143')], emails: [address('bram@kelp.example')] },
};
const API = {
  'GET /contacts/5/merges': { items: [] },
  'GET /contacts': { items: [{ ...ODALYS, id: '8', first_name: 'Odi' }] },
  'POST /contacts/5/merge': { merge_id: '3' },
  'POST /merges/3/undo': {},
  'POST /contacts/5/split': { ...ODALYS, id: '9', first_name: 'Bram' },
};

test('a contact found by name is merged in, and Undo takes it apart', async () => {
  const asked = answering(API);
  const { user } = show(<Merges contact={HOLDS_TWO} />);
  await user.click(screen.getByRole('button', { name: 'Merge' }));
  await user.type(screen.getByRole('combobox', { name: 'Merge with' }), 'Odi');
  await user.click(await screen.findByRole('option', { name: /Odi Brandt/ }));
  await waitFor(() => expect(sentTo(asked, 'POST /contacts/5/merge')).toEqual({ other_id: '8', choices: {} }));
  await user.click(await screen.findByRole('button', { name: /Undo/ }));
  await waitFor(() => expect(asked.map(({ route }) => route)).toContain('POST /merges/3/undo'));
});

test('a split says who the other is and what is theirs; what is wrong stands at its field; merging undoes it', async () => {
  const asked = answering({ ...API, 'POST /contacts/5/split': wrongAt('first_name', 'say who the other one is') });
  const { user } = show(<Merges contact={HOLDS_TWO} />);
  await user.click(screen.getByRole('button', { name: 'Split' }));
  const dialog = within(await screen.findByRole('dialog', { name: 'Split Odalys Brandt' }));
  await user.click(dialog.getByRole('button', { name: /^Split/ }));
  expect(await dialog.findByText('Say who the other one is')).toBeVisible();
  answering(API);
  await user.type(dialog.getByLabelText('First name'), 'Bram');
  await user.click(dialog.getByLabelText('(360) 555-0143'));
  await user.click(dialog.getByLabelText('bram@kelp.example'));
  const again = answering(API);
  await user.click(dialog.getByRole('button', { name: /^Split/ }));
  await waitFor(() =>
    expect(sentTo(again, 'POST /contacts/5/split')).toMatchObject({
      first_name: 'Bram',
      last_name: 'Brandt',
      phones: ['+13605550143'],
      emails: ['bram@kelp.example'],
      home: true,
      household: true,
    }),
  );
  await user.click(await screen.findByRole('button', { name: /Undo/ }));
  await waitFor(() => expect(sentTo(again, 'POST /contacts/5/merge')).toEqual({ other_id: '9', choices: {} }));
  expect(asked.length).toBeGreaterThan(0);
});

test('a spouse nobody knows yet is added by typing the name', async () => {
  const asked = answering({ ...API, 'GET /contacts': { items: [] } });
  const { user } = show(<Household contact={ODALYS} />);
  await user.click(screen.getByRole('button', { name: 'Add spouse or partner' }));
  await user.type(screen.getByRole('combobox', { name: 'Who shares the household' }), 'Bram');
  await user.click(await screen.findByRole('option', { name: 'Add “Bram” as a new contact' }));
  await waitFor(() => expect(sentTo(asked, 'POST /contacts/5/split')).toEqual({ first_name: 'Bram', last_name: 'Brandt' }));
});

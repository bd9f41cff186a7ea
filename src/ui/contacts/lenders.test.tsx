/** The lender of a contact: attached, changed and taken off, each with a way back; for whoever only looks it stands there. */
import { screen, waitFor } from '@testing-library/react';
import { answering, sentTo, show } from '../../../tests/harness/render';
import { Lenders } from './lenders';
import type { ContactInFull } from './types';

const contact = (lenders: { id: string; name: string }[]) => ({ id: '5', lenders }) as unknown as ContactInFull;
const USERS = {
  'GET /users': {
    items: [
      { id: '9', name: 'Hollis Brandt', role: 'lender' },
      { id: '7', name: 'Asta Lund', role: 'agent' },
    ],
  },
  'PUT /contacts/5/lenders': null,
};

test('one is attached from the list of lenders, and Undo takes them off', async () => {
  const asked = answering(USERS);
  const { user } = show(<Lenders contact={contact([])} readOnly={false} />);
  await user.click(await screen.findByRole('button', { name: 'Choose a lender' }));
  expect(screen.queryByRole('menuitem', { name: 'Asta Lund' })).toBeNull();
  await user.click(await screen.findByRole('menuitem', { name: 'Hollis Brandt' }));
  expect(await screen.findByText('Lender set. They’re told right away.')).toBeVisible();
  expect(sentTo(asked, 'PUT /contacts/5/lenders')).toEqual({ lender_ids: ['9'] });
  await user.click(screen.getByRole('button', { name: /^Undo/ }));
  await waitFor(() => expect(sentTo(asked, 'PUT /contacts/5/lenders')).toEqual({ lender_ids: [] }));
});

test('who only looks sees who it is, and asks for nothing', async () => {
  const asked = answering(USERS);
  show(<Lenders contact={contact([{ id: '9', name: 'Hollis Brandt' }])} readOnly />);
  expect(screen.getByText('Hollis Brandt')).toBeVisible();
  expect(screen.queryByRole('button')).toBeNull();
  expect(asked).toEqual([]);
});

/** A profile: read, changed and sent as it was meant; a lender says how they are told. */
import { screen, waitFor } from '@testing-library/react';
import { answering, sentTo, show } from '../../../tests/harness/render';
import { ProfileDialog } from './profile-dialog';

const PROFILE = {
  id: '7',
  first_name: 'Asta',
  last_name: 'Lund',
  email: 'asta@ostby.example',
  phone: '+15645550123',
  time_zone: 'America/Los_Angeles',
  title: '',
  photo_id: null,
  signature: '',
  languages: ['English'],
  licenses: [{ state: 'WA', number: '12-345' }],
  hours: [],
  phones: [],
  told_by: ['email'],
  away_from: null,
  away_until: null,
};
const open = (lender: boolean) => {
  const asked = answering({ 'GET /users/7/profile': PROFILE, 'PATCH /users/7/profile': PROFILE, 'POST /pictures': { id: '44' } });
  const onClose = jest.fn();
  return { asked, onClose, ...show(<ProfileDialog userId="7" lender={lender} onClose={onClose} />) };
};

test('an agent’s title, languages, licenses and photo are saved', async () => {
  const { user, asked, onClose } = open(false);
  await user.type(await screen.findByLabelText('Title'), 'Broker Associate');
  await user.type(screen.getByLabelText('Languages'), ', Spanish,  English');
  await user.type(screen.getByLabelText('License number, WA'), '-X');
  await user.click(screen.getByRole('checkbox', { name: 'I work set hours' }));
  await user.upload(screen.getByLabelText('Add a photo'), new File(['x'], 'me.png', { type: 'image/png' }));
  expect(await screen.findByRole('img', { name: 'Photo of Asta Lund' })).toHaveAttribute('src', '/pictures/44');
  expect(screen.queryByText('Tell me of new clients by')).toBeNull();
  await user.click(screen.getByRole('button', { name: 'Save' }));
  await waitFor(() => expect(onClose).toHaveBeenCalled());
  expect(sentTo(asked, 'PATCH /users/7/profile')).toMatchObject({
    title: 'Broker Associate',
    languages: ['English', 'Spanish'],
    licenses: [{ state: 'WA', number: '12-345-X' }],
    photo_id: '44',
    hours: [{ days: [1, 2, 3, 4, 5], from: '09:00', to: '18:00' }],
    phone: '+15645550123',
  });
});

test('a photo can be taken off again', async () => {
  const { user, asked } = open(false);
  await user.upload(await screen.findByLabelText('Add a photo'), new File(['x'], 'me.png', { type: 'image/png' }));
  await user.click(await screen.findByRole('button', { name: 'Remove photo' }));
  expect(screen.queryByRole('img', { name: 'Photo of Asta Lund' })).toBeNull();
  await user.click(screen.getByRole('button', { name: 'Save' }));
  await waitFor(() => expect(sentTo(asked, 'PATCH /users/7/profile')).toMatchObject({ photo_id: null }));
});

test('a lender chooses how they are told, at least one way', async () => {
  const { user, asked } = open(true);
  expect(await screen.findByRole('checkbox', { name: 'email' })).toBeDisabled();
  await user.click(screen.getByRole('checkbox', { name: 'text' }));
  await user.click(screen.getByRole('checkbox', { name: 'email' }));
  await user.click(screen.getByRole('button', { name: 'Save' }));
  await waitFor(() => expect(sentTo(asked, 'PATCH /users/7/profile')).toMatchObject({ told_by: ['text'] }));
  expect(screen.queryByText(/^Licensed in/)).toBeNull();
});

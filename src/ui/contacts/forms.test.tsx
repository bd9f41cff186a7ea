/** The forms about one person: details, what they permit, why they are archived, the next touch. */
import { screen, waitFor } from '@testing-library/react';
import { ODALYS, WORDS } from '../../../tests/harness/people-of-forms';
import { answering, keepsWhatIsTyped, sentTo, show } from '../../../tests/harness/render';
import { DetailsDialog } from './details';
import { FactDates } from './fact-dates';
import { useInPlace } from './in-place';
import { NextTouch } from './next-touch';
import { Permissions } from './permissions';

keepsWhatIsTyped('details', {
  open: (onClose) => <DetailsDialog contact={ODALYS} onClose={onClose} />,
  label: 'ZIP',
  typed: '98731',
  route: 'PATCH /contacts/5',
  answer: ODALYS,
  field: 'place.postal_code',
});

test('wants are typed as people say them, and sent as they were understood', async () => {
  const asked = answering({ 'PATCH /contacts/5': ODALYS });
  const { user } = show(<DetailsDialog contact={ODALYS} onClose={jest.fn()} />);
  await user.type(screen.getByLabelText('Max price'), '$650k{Tab}');
  expect(screen.getByLabelText('Max price')).toHaveValue('$650,000');
  await user.type(screen.getByLabelText('Areas'), 'Saltmarsh, 98731');
  await user.click(screen.getByRole('checkbox', { name: 'Seller' }));
  await user.click(screen.getByRole('button', { name: 'Save' }));
  await waitFor(() => expect(sentTo(asked, 'PATCH /contacts/5')).toBeDefined());
  expect(sentTo(asked, 'PATCH /contacts/5')).toMatchObject({
    roles: ['buyer', 'seller'],
    wants: { price_max: 650_000, bedrooms: 3, areas: ['Saltmarsh', '98731'] },
  });
});

test('a price that cannot be read is not saved', async () => {
  const asked = answering({});
  const { user } = show(<DetailsDialog contact={ODALYS} onClose={jest.fn()} />);
  await user.type(screen.getByLabelText('Max price'), 'about half a mill{Enter}');
  expect(await screen.findByText('Enter a price like $400,000 or 400k')).toBeVisible();
  expect(asked).toEqual([]);
});

test('a yes needs how it was said', async () => {
  const asked = answering({ 'PUT /contacts/5/permissions': {} });
  const { user } = show(<Permissions contact={ODALYS} />);
  await user.click(screen.getByRole('button', { name: /^Emails not asked/ }));
  expect(await screen.findByRole('dialog', { name: 'Emails to Odalys' })).toBeVisible();
  expect(screen.getByRole('radio', { name: 'They said yes' })).toBeChecked();
  expect(screen.getByRole('button', { name: 'Record' })).toBeDisabled();
  await user.type(screen.getByLabelText('How and where they said it'), 'At the open house{Enter}');
  await waitFor(() =>
    expect(sentTo(asked, 'PUT /contacts/5/permissions')).toEqual({
      channel: 'email',
      state: 'granted',
      evidence: 'At the open house',
    }),
  );
});

test('who is archived is archived for a reason', async () => {
  const asked = answering({ 'GET /vocabulary': WORDS, 'GET /tags': { items: [] }, 'PATCH /contacts/5': ODALYS });
  function Archive() {
    const { setStage, asking } = useInPlace(ODALYS);
    return (
      <>
        <button onClick={() => setStage('archived')}>Archive</button>
        {asking}
      </>
    );
  }
  const { user } = show(<Archive />);
  await user.click(screen.getByRole('button', { name: 'Archive' }));
  await screen.findByRole('dialog', { name: 'Archive contact' });
  await user.type(screen.getByLabelText('Why are you archiving them?'), 'Moved away{Enter}');
  await waitFor(() => expect(sentTo(asked, 'PATCH /contacts/5')).toEqual({ stage: 'archived', archived_because: 'Moved away' }));
});

test('the next touch: five by number, or a day and an hour in their zone', async () => {
  const asked = answering({ 'PUT /contacts/5/next-touch': {} });
  const onClose = jest.fn();
  const { user } = show(<NextTouch contactId="5" onClose={onClose} />);
  await user.click(screen.getByRole('button', { name: /^Tomorrow at 10 AM/ }));
  await waitFor(() => expect(onClose).toHaveBeenCalledWith(true));
  expect(sentTo(asked, 'PUT /contacts/5/next-touch')).toMatchObject({ at: '2026-11-24T18:00:00.000Z', appointment: false });
  expect(screen.getByRole('button', { name: 'Set' })).toBeDisabled();
  await user.type(screen.getByLabelText('Date'), '12/1/2026{Tab}');
  await user.clear(screen.getByLabelText('Time'));
  await user.type(screen.getByLabelText('Time'), '3pm{Tab}');
  expect(screen.getByLabelText('Time')).toHaveValue('3 PM');
  await user.type(screen.getByLabelText('What you promised'), 'comps');
  await user.click(screen.getByLabelText('It’s an appointment'));
  await user.click(screen.getByRole('button', { name: 'Set' }));
  await waitFor(() =>
    expect(sentTo(asked, 'PUT /contacts/5/next-touch')).toEqual({
      at: '2026-12-01T23:00:00.000Z',
      note: 'comps',
      appointment: true,
    }),
  );
});

test('a date is added in any usual spelling, without its year if that is unknown', async () => {
  const asked = answering({ 'PATCH /contacts/5': ODALYS });
  const { user } = show(<FactDates contact={ODALYS} readOnly={false} />);
  await user.click(screen.getByRole('button', { name: '+ Date' }));
  await user.click(await screen.findByRole('menuitem', { name: 'Birthday' }));
  await user.type(await screen.findByLabelText('Birthday: date'), 'March 1{Tab}');
  await waitFor(() =>
    expect(sentTo(asked, 'PATCH /contacts/5')).toEqual({ dates: [{ kind: 'birthday', label: '', on: '--03-01' }] }),
  );
});

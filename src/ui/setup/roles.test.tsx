/** Roles and teams: what each may do in one table; a role of one's own is added with what it may; a team with who leads it and who is on it. */
import { screen, waitFor, within } from '@testing-library/react';
import { answering, sentTo, show, wrongAt } from '../../../tests/harness/render';
import { Roles } from './roles';
import { Teams } from './teams';

const LEAD = { id: '4', name: 'Team lead', base: 'agent', rights: ['contacts:write', 'contacts:assign'], users: 0 };
const API = { 'GET /custom-roles': { items: [LEAD] } };

test('the table says what each role may do, own ones too', async () => {
  answering(API);
  show(<Roles />);
  const table = within(await screen.findByRole('table', { name: 'Rights by role' }));
  expect(await table.findByRole('columnheader', { name: 'Team lead' })).toBeVisible();
  const cells = (right: string) =>
    within(table.getByRole('row', { name: new RegExp(`^${right}`) }))
      .getAllByRole('cell')
      .map(({ textContent }) => textContent);
  expect(cells('Assign contacts')).toEqual(['yes', 'yes', 'no', 'no', 'no', 'yes']);
  expect(cells('Send broadcasts')).toEqual(['yes', 'yes', 'yes', 'yes', 'no', 'no']);
});

test('one is added with what it may; a name that is taken says so; it is removed', async () => {
  const answers: Record<string, unknown> = {
    ...API,
    'POST /custom-roles': wrongAt('name', 'You have a role of that name'),
    'DELETE /custom-roles/4': null,
  };
  const asked = answering(answers);
  const { user } = show(<Roles />);
  await user.click(await screen.findByRole('button', { name: 'Add a role' }));
  await user.type(await screen.findByLabelText('Name'), 'Inside sales');
  await user.click(screen.getByRole('checkbox', { name: 'Export contacts' }));
  await user.click(screen.getByRole('button', { name: 'Save' }));
  await waitFor(() => expect(screen.getByLabelText('Name')).toHaveAccessibleDescription(/You have a role of that name/));
  answers['POST /custom-roles'] = LEAD;
  await user.click(screen.getByRole('button', { name: 'Save' }));
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  expect(sentTo(asked, 'POST /custom-roles')).toMatchObject({ name: 'Inside sales', base: 'agent' });
  expect((sentTo(asked, 'POST /custom-roles') as { rights: string[] }).rights).not.toContain('contacts:export');
  await user.click(screen.getByRole('button', { name: 'Team lead: remove' }));
  await waitFor(() => expect(asked.some(({ route }) => route === 'DELETE /custom-roles/4')).toBe(true));
});

test('a team is made of people and who leads them, changed and removed', async () => {
  const person = (id: string, name: string, role: string) =>
    ({
      id,
      name,
      role,
      email: '',
      phone: null,
      office: null,
      office_id: null,
      away_until: null,
      away_from: null,
      custom_role: null,
      two_step: false,
    }) as never;
  const team = { id: '2', name: 'Shore', lead: { id: '7', name: 'Asta Lund' }, members: [{ id: '8', name: 'Jory Pell' }] };
  const asked = answering({ 'GET /teams': { items: [team] }, 'PUT /teams/2': team, 'DELETE /teams/2': null });
  const { user } = show(
    <Teams
      users={[person('7', 'Asta Lund', 'agent'), person('8', 'Jory Pell', 'agent'), person('9', 'Hollis Brandt', 'lender')]}
    />,
  );
  expect(await screen.findByText('Led by Asta Lund · Jory Pell')).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Shore: edit' }));
  expect(screen.queryByRole('checkbox', { name: 'Hollis Brandt' })).toBeNull();
  await user.click(await screen.findByRole('checkbox', { name: 'Asta Lund' }));
  await user.selectOptions(screen.getByLabelText('Led by'), 'Jory Pell');
  await user.click(screen.getByRole('button', { name: 'Save' }));
  await waitFor(() => expect(sentTo(asked, 'PUT /teams/2')).toEqual({ name: 'Shore', lead_id: '8', member_ids: ['7', '8'] }));
  await user.click(screen.getByRole('button', { name: 'Shore: remove' }));
  await waitFor(() => expect(asked.some(({ route }) => route === 'DELETE /teams/2')).toBe(true));
});

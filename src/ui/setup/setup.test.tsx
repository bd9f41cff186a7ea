/** Setup: sections with addresses of their own, a list at the left, a choice on a phone, and a search over everything that can be set. */
import { screen, waitFor, within } from '@testing-library/react';
import { DEFAULT_SETTINGS, settingsView } from '@/core/accounts';
import { going, show } from '../../../tests/harness/render';
import { SETUP_SECTIONS, type SetupSectionKey } from './sections';
import { SetupArea } from './setup';

/* What a section holds has tests of its own. */
const mockPart = (part: string) => (
  <section aria-label={part} id={part.toLowerCase()} tabIndex={-1}>
    {part}
  </section>
);
jest.mock('../capture', () => ({ DoorsSetup: () => mockPart('Doors') }));
jest.mock('./audit', () => ({ Audit: () => mockPart('Audit') }));
jest.mock('./data', () => ({ Data: () => mockPart('Data') }));
jest.mock('./fields', () => ({ Fields: () => mockPart('Fields') }));
jest.mock('./formats', () => ({ Formats: () => mockPart('Formats') }));
jest.mock('./guardrails', () => ({ Guardrails: () => mockPart('Guardrails') }));
jest.mock('./keys', () => ({ Keys: () => mockPart('Keys') }));
jest.mock('./stage-and-horizon', () => ({ StageAndHorizon: ({ kind }: { kind: string }) => mockPart(kind) }));
jest.mock('./stuck', () => ({ Stuck: () => mockPart('Stuck') }));
jest.mock('./tags', () => ({ Tags: () => mockPart('Tags') }));
jest.mock('./templates-and-brand', () => ({ TemplatesAndBrand: () => mockPart('Templates') }));
jest.mock('./start', () => ({ Start: () => mockPart('Start') }));
jest.mock('./offices', () => ({ Offices: () => mockPart('Offices') }));
jest.mock('./states-setting', () => ({ StatesSetting: () => mockPart('States') }));
jest.mock('./mail-server', () => ({ MailServer: () => mockPart('Mail server') }));
jest.mock('./users', () => ({ Users: ({ users }: { users: unknown[] }) => mockPart(`Users ${users.length}`) }));
let mockNarrow = false;
jest.mock('../primitives', () => ({
  ...jest.requireActual<object>('../primitives'),
  useIsNarrow: () => mockNarrow,
}));
beforeEach(() => {
  mockNarrow = false;
  window.location.hash = '';
});

const open = (section: SetupSectionKey) =>
  show(<SetupArea me={{ id: '1', role: 'owner' }} section={section} settings={settingsView(DEFAULT_SETTINGS)} users={[]} />);
const parts = () => screen.getAllByRole('region').map((part) => part.getAttribute('aria-label'));
const find = () => screen.getByRole('combobox', { name: 'Find a setting' });

test.each([
  ['start', 'Start', ['Start']],
  ['office', 'Office and users', ['Users 0', 'Roles', 'Teams', 'Offices', 'Two-step login', 'States', 'Formats']],
  ['connections', 'Connections', ['Mail server']],
  ['stages', 'Stages and horizons', ['stages', 'horizons']],
  ['tags', 'Tags and fields', ['Tags', 'Fields']],
  ['sources', 'Lead sources and doors', ['Doors']],
  ['guardrails', 'Guardrails', ['Guardrails']],
  ['templates', 'Templates and brand', ['Templates']],
  ['data', 'Data', ['Data']],
  ['keys', 'Keys and webhooks', ['Keys', 'Webhooks', 'Stuck']],
  ['audit', 'Audit', ['Audit']],
] as const)('%s stands under its name, and is where one is in the list', (section, name, holds) => {
  open(section);
  expect(screen.getByRole('heading', { level: 1, name })).toBeVisible();
  expect(parts()).toEqual(holds);
  const list = within(screen.getByRole('navigation', { name: 'Sections of Setup' }));
  expect(list.getAllByRole('link')).toHaveLength(SETUP_SECTIONS.length);
  expect(list.getByRole('link', { current: 'page' })).toHaveTextContent(name);
  expect(list.getByRole('link', { current: 'page' })).toHaveAttribute('href', `/setup/${section}`);
});

test('a setting is found by words of its name or its section, in any order, and opened where it stands', async () => {
  const went = going();
  const { user } = open('office');
  await user.type(find(), 'key api');
  expect(await screen.findByRole('option', { name: /API keys/ })).toHaveTextContent('Keys and webhooks');
  await user.keyboard('{ArrowDown}{Enter}');
  await waitFor(() => expect(went).toEqual(['/setup/keys#api-keys']));
  expect(find()).toHaveValue('');
});

test('every guardrail is among what is found', async () => {
  const { user } = open('audit');
  await user.type(find(), 'guardrails');
  expect((await screen.findAllByRole('option')).length).toBeGreaterThan(5);
});

test('what there is not is not offered', async () => {
  const { user } = open('office');
  await user.type(find(), 'espresso');
  await waitFor(() => expect(screen.queryByRole('option', { name: /espresso/ })).toBeNull());
});

test('on a phone the section is chosen, with the search above it', async () => {
  mockNarrow = true;
  const went = going();
  const { user } = open('tags');
  expect(screen.queryByRole('navigation', { name: 'Sections of Setup' })).toBeNull();
  const choice = screen.getByRole('combobox', { name: 'Section of Setup' });
  expect(choice).toHaveValue('tags');
  expect(find()).toBeVisible();
  await user.selectOptions(choice, 'Data');
  expect(went).toEqual(['/setup/data']);
});

test('the part that an address names has the focus', async () => {
  window.location.hash = '#fields';
  open('tags');
  await waitFor(() => expect(screen.getByRole('region', { name: 'Fields' })).toHaveFocus());
});

/** Public pages: made from a name, changed block by block in a draft, shared, taken offline at the second word. */
import { screen, waitFor, within } from '@testing-library/react';
import { newPage } from '@/core/pages';
import { USERS } from '../../../tests/harness/people-of-forms';
import { answering, going, refusal, sentTo, show } from '../../../tests/harness/render';
import { PageEditor } from './editor';
import { PagesList, type PageRow } from './list';

jest.mock('../market', () => ({ MapView: () => <p>Map</p>, AskFor: () => <p>Home search</p> }));
jest.mock('./preview', () => ({ Preview: () => <p>Preview</p> }));

const ROW = {
  id: '8',
  name: 'Ask an agent',
  slug: 'ask-an-agent',
  url: 'https://urraca.example/p/ask-an-agent',
  brokerage: 'Tern & Tiller',
  page: newPage('form', 'Tern & Tiller'),
  source: null,
  tags: ['website'],
  last_arrival_at: '2026-11-23T17:24:00Z',
  arrivals_30_days: 12,
  visitors_30_days: 0,
} as PageRow;
const API = {
  'GET /users': USERS,
  'GET /listings': { items: [{ number: 'LC-1', address: '14 Heron Lane', open_from: null }] },
  'GET /pages': { items: [ROW] },
  'GET /pages/8': ROW,
  'PATCH /pages/8': ROW,
};

describe('the list', () => {
  test('each page says what came by it; a new one is made from its kind and name', async () => {
    const asked = answering({ ...API, 'POST /pages': { id: '9' } });
    const went = going();
    const { user } = show(<PagesList />);
    expect(await screen.findByRole('link', { name: 'Ask an agent' })).toHaveAttribute('href', '/market/pages/8');
    expect(screen.getByTitle('Leads in the last 30 days')).toHaveTextContent('12');
    expect(screen.getByRole('button', { name: 'Create page' })).toBeDisabled();
    await user.click(screen.getByRole('radio', { name: /^Contact form/ }));
    await user.type(screen.getByLabelText('Name of the page'), 'Garden homes{Enter}');
    await waitFor(() => expect(sentTo(asked, 'POST /pages')).toEqual({ kind: 'form', name: 'Garden homes' }));
    await waitFor(() => expect(went).toEqual(['/market/pages/9']));
  });

  test('what is refused is said, and the name stays', async () => {
    answering({ ...API, 'POST /pages': refusal(409, { code: 'conflict', detail: 'There’s already a page at that address.' }) });
    const { user } = show(<PagesList />);
    await user.type(screen.getByLabelText('Name of the page'), 'Ask an agent{Enter}');
    expect(await screen.findByText('There’s already a page at that address.')).toBeVisible();
    expect(screen.getByLabelText('Name of the page')).toHaveValue('Ask an agent');
  });
});

describe('the editor', () => {
  const edit = () => show(<PageEditor first={ROW} />);
  const blocks = () => within(screen.getByRole('list', { name: 'Blocks of the page' })).getAllByRole('listitem');
  const namesOf = () => blocks().map((block) => block.querySelector('b')?.textContent);

  test('blocks are added above the foot, moved and removed; what is required stays', async () => {
    answering(API);
    const { user } = edit();
    const before = namesOf();
    await user.click(within(screen.getByRole('group', { name: 'Blocks to add' })).getByRole('button', { name: 'text' }));
    expect(namesOf()).toHaveLength(before.length + 1);
    expect(namesOf().at(-1)).toBe(before.at(-1));
    await user.click(screen.getAllByRole('button', { name: 'Move the text up' }).at(-1)!);
    expect(namesOf().at(-3)).toBe('text');
    await user.click(screen.getAllByRole('button', { name: 'Remove the text' }).at(-1)!);
    expect(namesOf()).toEqual(before);
    const form = blocks().find((block) => block.textContent?.includes('asks for the first name'))!;
    expect(within(form).getByTitle('Required')).toBeDisabled();
  });

  test('what a form asks for, its address and the words of its permissions are saved together', async () => {
    const asked = answering(API);
    const { user } = edit();
    expect(screen.getByRole('button', { name: 'Save' })).toBeDisabled();
    await user.click(screen.getByRole('button', { name: 'whether they work with an agent' }));
    await user.clear(screen.getByRole('textbox', { name: 'Name' }));
    await user.type(screen.getByRole('textbox', { name: 'Name' }), 'Talk to us');
    await user.type(screen.getByRole('textbox', { name: /^Tags for its leads/ }), ', spring');
    await user.click(screen.getByRole('checkbox', { name: 'ask to call' }));
    await user.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(sentTo(asked, 'PATCH /pages/8')).toBeDefined());
    const sent = sentTo(asked, 'PATCH /pages/8') as { page: PageRow['page'] };
    expect(sent).toMatchObject({ name: 'Talk to us', slug: 'ask-an-agent', tags: ['website', 'spring'], source: null });
    const form = sent.page.blocks.find((block) => block.kind === 'form');
    expect(form?.kind === 'form' && form.asks).toContain('agent');
    expect(sent.page.permissions.call).toBeNull();
    expect(await screen.findByText('Saved and live.')).toBeVisible();
  });

  test('a permission that is asked for without words keeps the page from being saved', async () => {
    answering(API);
    const { user } = edit();
    await user.clear(screen.getByLabelText('What they agree to when we ask to text'));
    expect(screen.getByRole('button', { name: 'Save' })).toBeDisabled();
    expect(screen.getByText('Write what visitors agree to when you ask to text them.')).toBeVisible();
  });

  test('half-written it survives a reload', async () => {
    answering(API);
    const first = edit();
    await first.user.type(screen.getByRole('textbox', { name: 'Name' }), ' today');
    first.unmount();
    edit();
    expect(screen.getByText('You have unsaved changes from before.')).toBeVisible();
    expect(screen.getByRole('textbox', { name: 'Name' })).toHaveValue('Ask an agent today');
  });

  test('it goes offline only at the second word', async () => {
    const asked = answering({ ...API, 'DELETE /pages/8': {} });
    const went = going();
    const { user } = edit();
    await user.click(screen.getByRole('button', { name: 'Take page offline' }));
    expect(asked.map(({ route }) => route)).not.toContain('DELETE /pages/8');
    await user.click(screen.getByRole('button', { name: 'Take it offline' }));
    await waitFor(() => expect(went).toEqual(['/market/pages']));
    expect(screen.getByText('Page taken offline. Its leads stay.')).toBeVisible();
  });

  test('its address and the code for another site are copied', async () => {
    answering(API);
    const { user } = edit();
    await user.click(screen.getByRole('button', { name: 'Copy embed code' }));
    expect(await navigator.clipboard.readText()).toContain('src="https://urraca.example/p/ask-an-agent/embed"');
    expect(await screen.findByText(/^Code copied/)).toBeVisible();
  });
});

/** The list of contacts: who is in it and how many, in what order, who is selected, what is changed in a cell by mouse and by key, which columns stand. */
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { ODALYS, WORDS } from '../../../tests/harness/people-of-forms';
import { answering, refusal, sentTo, show } from '../../../tests/harness/render';
import { ContactsArea } from './list';
import type { Contact } from './types';

/* Rows are drawn as far as one can see, which a made-up document does not say. */
beforeAll(() => {
  for (const size of ['clientHeight', 'clientWidth'])
    Object.defineProperty(HTMLElement.prototype, size, { configurable: true, get: () => 640 });
});

const contact = (id: string, first: string, more: Partial<Contact> = {}): Contact => ({
  ...ODALYS,
  id,
  first_name: first,
  archived_because: null,
  owned_since: null,
  hand_raised_at: null,
  last_touch_at: null,
  next_touch: null,
  calls: { attempts: 2, reached: 0, last_reached_at: null, last_attempt_at: null, talk_seconds: 0, conversations: 0 },
  home_search: { last_visit_at: null, saved_homes: 0 },
  address_errors: {},
  created_at: '2026-11-20T20:00:00Z',
  ...more,
});
const PEOPLE = [
  contact('5', 'Odalys'),
  contact('6', 'Jago', { next_touch: { at: '2026-11-20T18:00:00Z', kind: 'promise', note: null } as never }),
  contact('7', 'Wren', { tags: [] }),
];
const PAGE = { items: PEOPLE, next_cursor: null, total: 3, total_capped: false, approximate: false };
const start = (answers: object = {}, props: Partial<Parameters<typeof ContactsArea>[0]> = {}) => {
  const asked = answering({
    'GET /contacts': PAGE,
    'GET /preferences': {},
    'PUT /preferences': {},
    'GET /vocabulary': WORDS,
    'GET /segments': { items: [] },
    'GET /tags': { items: [{ id: '1', name: 'coast', color: 'teal', uses: 4 }] },
    'PATCH /contacts/5': PEOPLE[0],
    ...answers,
  });
  return { asked, ...show(<ContactsArea readOnly={false} office users={[]} {...props} />) };
};
/* By its mark: to ask a whole grid for its roles takes a made-up document longer than anything else here. */
const row = (id: string) => waitFor(() => marked(`[data-row="${id}"]`));
function marked(mark: string): HTMLElement {
  const one = document.querySelector<HTMLElement>(mark);
  if (!one) throw new Error(`${mark} is not there`);
  return one;
}
const head = (key: string) => marked(`[data-sorter="${key}"]`);
const lastPreference = (asked: ReturnType<typeof start>['asked']) =>
  (
    sentTo(asked, 'PUT /preferences') as {
      contacts_grid: { sort: string; descending: boolean; columns: { key: string; width: number }[] };
    }
  ).contacts_grid;

describe('who is in it', () => {
  test('how many, with what matters of each', async () => {
    start();
    expect(await row('5')).toHaveTextContent('Talking');
    expect(await row('6')).toHaveTextContent('3 days overdue');
    await waitFor(() => expect(document.querySelector('[data-count]')).toHaveTextContent('3 people'));
    expect(marked('[role=grid]')).toHaveAttribute('aria-rowcount', '4');
  });

  test('nobody yet, and nobody found, are said apart', async () => {
    const empty = { ...PAGE, items: [], total: 0 };
    const { user } = start({ 'GET /contacts': empty });
    expect(await screen.findByText(/^No contacts yet\. Add your first lead/)).toBeVisible();
    await user.type(screen.getByLabelText('Search contacts'), 'zz');
    await waitFor(() => expect(window.location.search).toBe('?q=zz'));
    window.history.replaceState(null, '', '/');
  });

  test('what could not be read is said', async () => {
    start({ 'GET /contacts': refusal(500, { code: 'internal', detail: 'Something went wrong. Try again.' }) });
    expect(await screen.findByText('Something went wrong. Try again.')).toBeVisible();
  });
});

describe('in what order', () => {
  test('a click on a heading sorts by it, another the other way; it is remembered', async () => {
    const { user, asked } = start();
    await row('5');
    await user.click(head('name'));
    expect(lastPreference(asked)).toMatchObject({ sort: 'name', descending: false });
    expect(head('name').closest('th')).toHaveAttribute('aria-sort', 'ascending');
    await user.click(head('name'));
    expect(head('name').closest('th')).toHaveAttribute('aria-sort', 'descending');
  });

  test('a column is moved and made wider by keys', async () => {
    const { asked } = start();
    await row('5');
    const stage = head('stage');
    fireEvent.focus(stage);
    fireEvent.keyDown(stage, { key: 'ArrowRight', shiftKey: true });
    expect(
      lastPreference(asked)
        .columns.map(({ key }) => key)
        .slice(0, 3),
    ).toEqual(['name', 'horizon', 'stage']);
    await waitFor(() => expect(document.querySelectorAll<HTMLElement>('[data-sorter]')[2]!.dataset.sorter).toBe('stage'));
    fireEvent.keyDown(head('stage'), { key: 'ArrowRight', altKey: true });
    expect(lastPreference(asked).columns.find(({ key }) => key === 'stage')!.width).toBe(122);
  });

  test('columns are chosen from a list; the name stays', async () => {
    const { user, asked } = start();
    await row('5');
    await user.click(screen.getByText('Columns'));
    const choices = within(await screen.findByRole('dialog', { name: 'Columns' }));
    expect(choices.getByRole('checkbox', { name: 'Name' })).toBeDisabled();
    await user.click(choices.getByRole('checkbox', { name: 'City' }));
    expect(lastPreference(asked).columns.at(-1)).toEqual({ key: 'city', width: 120 });
    await user.click(choices.getByRole('checkbox', { name: 'Stage' }));
    expect(lastPreference(asked).columns.map(({ key }) => key)).not.toContain('stage');
    expect(choices.getByRole('checkbox', { name: 'Boat' })).not.toBeChecked();
  });
});

describe('who is selected', () => {
  test('one by one, a range with Shift, all that are loaded', async () => {
    const { user } = start();
    await row('5');
    await user.click(screen.getByLabelText('Select Odalys Brandt'));
    expect(screen.getByText('1 of 3 selected')).toBeVisible();
    await user.keyboard('{Shift>}');
    await user.click(screen.getByLabelText('Select Wren Brandt'));
    await user.keyboard('{/Shift}');
    expect(screen.getByText('3 of 3 selected')).toBeVisible();
    await user.click(screen.getByLabelText(/^Select the 3 loaded/));
    expect(screen.queryByText(/selected$/)).toBeNull();
  });

  test('by keys: down, select, and everybody', async () => {
    const { user } = start();
    await row('5');
    await user.keyboard('jx');
    expect(await row('5')).toHaveAttribute('aria-selected', 'true');
    await user.keyboard('j');
    expect(await row('6')).toHaveAttribute('data-at', 'true');
    expect(await row('6')).toHaveAttribute('aria-selected', 'false');
  });

  test('who may only read selects and changes nobody', async () => {
    const { user } = start({}, { readOnly: true });
    await row('5');
    expect(screen.getByLabelText('Select Odalys Brandt')).toBeDisabled();
    expect(screen.queryByLabelText(/^Change stage/)).toBeNull();
    await user.keyboard('jx');
    expect(screen.queryByText(/selected$/)).toBeNull();
  });
});

describe('what is changed in a cell', () => {
  test('the stage by its pencil, with a way back', async () => {
    const { user, asked } = start();
    await row('5');
    await user.click(screen.getByLabelText('Change stage (Shift+S): Odalys Brandt'));
    await user.click(await screen.findByRole('menuitem', { name: 'New' }));
    await waitFor(() => expect(sentTo(asked, 'PATCH /contacts/5')).toEqual({ stage: 'new' }));
    expect(await screen.findByText(/^Stage: New\./)).toBeVisible();
  });

  test('the horizon by its key, of whom one is at', async () => {
    const { user, asked } = start();
    await row('5');
    await user.keyboard('j{Shift>}H{/Shift}');
    await user.click(await screen.findByRole('menuitem', { name: /Warm/ }));
    await waitFor(() => expect(sentTo(asked, 'PATCH /contacts/5')).toEqual({ horizon: 'warm' }));
  });

  test('tags in passing: one that is there goes', async () => {
    const { user, asked } = start();
    await row('5');
    await user.click(screen.getByLabelText('Add or remove tags (Shift+T): Odalys Brandt'));
    const tags = within(await screen.findByRole('dialog', { name: 'Tags of Odalys Brandt' }));
    await user.click(tags.getByRole('button', { name: /^Remove.*coast/ }));
    await waitFor(() => expect(sentTo(asked, 'PATCH /contacts/5')).toEqual({ tags: [] }));
  });

  test('archiving asks for a reason first', async () => {
    const { user, asked } = start();
    await row('5');
    await user.click(screen.getByLabelText('Change stage (Shift+S): Odalys Brandt'));
    await user.click(await screen.findByRole('menuitem', { name: 'Archived' }));
    await user.type(await screen.findByLabelText('Why are you archiving them?'), 'Moved away{Enter}');
    await waitFor(() =>
      expect(sentTo(asked, 'PATCH /contacts/5')).toEqual({ stage: 'archived', archived_because: 'Moved away' }),
    );
  });
});

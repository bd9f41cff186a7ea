/** Today by keyboard: who is at the head is open, one goes on by keys, and whoever was answered stays open until one moves on. */
import { act, screen, waitFor, within } from '@testing-library/react';
import { answering, going, sentTo, show } from '../../../tests/harness/render';
import { TodayArea, type Today } from './today';

jest.mock('../contacts', () => ({
  Dossier: ({ contactId, reasons, onNext }: { contactId: string; reasons?: { text: string }[]; onNext: () => void }) => (
    <article aria-label={`Dossier of ${contactId}`}>
      {reasons?.map(({ text }) => (
        <p key={text}>{text}</p>
      ))}
      <button onClick={onNext}>Done</button>
    </article>
  ),
}));

const entry = (contactId: string, name: string, group: string, text: string, since = '2026-11-23T18:00:00Z') => ({
  contactId,
  name,
  stage: 'talking',
  horizon: 'hot',
  ownerName: 'Asta Lund',
  reasons: [{ group, text, since }],
});
const TODAY = {
  groups: [
    {
      key: 'asked',
      name: 'Waiting for your reply',
      entries: [entry('5', 'Odalys Brandt', 'asked', 'Texted: is it still for sale?')],
    },
    {
      key: 'new',
      name: 'New leads',
      entries: [
        entry('6', 'Piet Nakagami', 'new', 'Asked about 14 Juniper Ln', '2026-11-23T18:20:00Z'),
        entry('7', 'Teo Marchetti', 'new', 'Wants to sell'),
      ],
    },
  ],
  total: 1_203,
  done: 4,
  goal: 30,
  now: '2026-11-23T18:24:00Z',
  call: null,
} as unknown as Today;

/** `replaceState` moves the page of a test as Next moves ours. */
let moved: string[] = [];
beforeEach(() => {
  moved = [];
  jest.spyOn(window.history, 'replaceState').mockImplementation((_, __, url) => void moved.push(String(url)));
});
afterEach(() => jest.restoreAllMocks());
const open = (today = TODAY, mine = true) => {
  answering({ 'GET /today': today, 'PATCH /preferences': {} });
  return show(<TodayArea first={today} mine={mine} />);
};

test('says how many there are and how far one is, and opens whoever is first with the reason', () => {
  open();
  expect(screen.getByRole('heading', { level: 1 })).toHaveTextContent('1,203 people today');
  expect(screen.getByRole('img', { name: '4 of 30 done' })).toBeVisible();
  expect(within(screen.getByRole('article', { name: 'Dossier of 5' })).getByText('Texted: is it still for sale?')).toBeVisible();
  expect(screen.getByRole('button', { name: /Odalys Brandt/ })).toHaveAttribute('aria-current', 'true');
});

test('j and k go on and back; Enter opens the page of the contact', async () => {
  const paths = going();
  const { user } = open();
  await user.keyboard('j');
  expect(moved).toEqual(['/today?contact=6']);
  await user.keyboard('k');
  expect(moved.at(-1)).toBe('/today?contact=5');
  await user.keyboard('{Enter}');
  expect(paths).toEqual(['/contacts/5']);
});

test('a click on somebody goes to them', async () => {
  const { user } = open();
  await user.click(screen.getByRole('button', { name: /Teo Marchetti/ }));
  expect(moved).toEqual(['/today?contact=7']);
});

test('whoever was answered stays open, though they left the list', async () => {
  const { queries } = open();
  const without = { ...TODAY, groups: TODAY.groups.slice(1), total: 1_202 };
  answering({ 'GET /today': without });
  await act(() => queries.invalidateQueries({ queryKey: ['today'] }));
  await waitFor(() => expect(screen.queryByRole('region', { name: 'Waiting for your reply' })).toBeNull());
  expect(screen.getByRole('article', { name: 'Dossier of 5' })).toBeVisible();
});

test('a group is folded, which is remembered by the person', async () => {
  const asked = answering({ 'GET /today': TODAY, 'PATCH /preferences': {} });
  const { user } = show(<TodayArea first={TODAY} mine />);
  await user.click(screen.getByRole('button', { name: 'New leads', expanded: true }));
  expect(screen.queryByRole('button', { name: /Piet Nakagami/ })).toBeNull();
  expect(within(screen.getByRole('region', { name: 'New leads' })).getByText('2')).toBeVisible();
  await waitFor(() => expect(JSON.stringify(asked.map(({ body }) => body))).toContain('today_folded'));
  expect(sentTo(asked, 'GET /today')).toBeUndefined();
});

test('whose lead it is stands beside the name only where one sees those of others', () => {
  const { unmount } = open(TODAY, false);
  expect(screen.getByRole('button', { name: /Odalys Brandt/ })).toHaveTextContent('Asta Lund');
  unmount();
  open();
  expect(screen.getByRole('button', { name: /Odalys Brandt/ })).not.toHaveTextContent('Asta Lund');
});

test('a new lead of this hour has a running timer', () => {
  open();
  expect(screen.getByRole('button', { name: /Piet Nakagami/ })).toHaveTextContent('4:00');
});

test('nobody left: it says so, and how to add somebody', () => {
  open({ ...TODAY, groups: [], total: 0 });
  expect(screen.getByText(/You’re all caught up\./)).toBeVisible();
  expect(screen.getByText('Choose someone from the list.')).toBeVisible();
});

test('a long day is drawn to its end, though the page comes with what is in sight', async () => {
  const many = Array.from({ length: 60 }, (_, n) => entry(String(100 + n), `Caller ${n + 1}`, 'new', 'Wants to sell'));
  open({ ...TODAY, groups: [{ key: 'new', name: 'New leads', entries: many }], total: 60 } as unknown as Today);
  expect(screen.getByRole('region', { name: 'New leads' })).toHaveTextContent('New leads60');
  await waitFor(() => expect(document.querySelectorAll('[data-contact]')).toHaveLength(60));
});

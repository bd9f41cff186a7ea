/** Leads offered to me: whom they are about, how long they are open, taken by one key, passed by a click. */
import { screen, waitFor, within } from '@testing-library/react';
import { answering, going, refusal, show } from '../../../tests/harness/render';
import { OffersAbove, OfferedToMe, wasClaimedHere } from './my-offers';
import type { MyOffer } from './shapes';

const offer = (id: string, name: string | null, more: Partial<MyOffer> = {}): MyOffer => ({
  id,
  inquiry_id: `i${id}`,
  name,
  source: 'Our website',
  ask: 'Is 14 Juniper Ln still available?',
  place: 'Saltmarsh',
  roster: 'Coast agents',
  offered_at: '2026-11-23T18:23:00Z',
  ends_at: '2026-11-23T18:28:59Z',
  commons: false,
  others: 2,
  ...more,
});
const start = (items: MyOffer[], answers: object = {}) => {
  const asked = answering({
    'GET /offers/mine': { items },
    'POST /offers/1/accept': { contact_id: '5', name: 'Odalys Brandt' },
    'POST /offers/1/decline': {},
    ...answers,
  });
  const onOffered = jest.fn();
  return { asked, onOffered, ...show(<OffersAbove onOffered={onOffered} />) };
};
const routes = (asked: { route: string }[]) => asked.map(({ route }) => route);

test('an offer names the person, what they asked, and how long it is open', async () => {
  const { onOffered } = start([offer('1', 'Odalys Brandt')]);
  const above = await screen.findByRole('complementary', { name: 'Leads offered to you' });
  expect(above).toHaveTextContent('Odalys Brandt');
  expect(above).toHaveTextContent('Saltmarsh, from Our website. Is 14 Juniper Ln still available?');
  expect(above).toHaveTextContent('Coast agents, offered to 2 more');
  expect(within(above).getByRole('timer')).toHaveTextContent('4:59');
  expect(onOffered).toHaveBeenCalledWith(expect.objectContaining({ id: '1' }));
});

test('a takes the first, and opens the person', async () => {
  const paths = going();
  const { user, asked } = start([offer('1', 'Odalys Brandt'), offer('2', 'Piet Nakagami')]);
  await screen.findByText('Odalys Brandt');
  await user.keyboard('a');
  expect(await screen.findByText('Odalys Brandt is yours.')).toBeVisible();
  expect(routes(asked)).toContain('POST /offers/1/accept');
  expect(paths).toEqual(['/contacts?contact=5']);
  expect(wasClaimedHere('5')).toBe(true);
  expect(wasClaimedHere('6')).toBe(false);
});

test('somebody was first: it says so in their words', async () => {
  const { user } = start([offer('1', null)], {
    'POST /offers/1/accept': refusal(409, { code: 'conflict', detail: 'Berit Moss took this lead 4 seconds ago.' }),
  });
  expect(await screen.findByText('A lead. You’ll see the name when you take it')).toBeVisible();
  await user.click(screen.getByRole('button', { name: /^Take lead/ }));
  expect(await screen.findByText('Berit Moss took this lead 4 seconds ago.')).toBeVisible();
});

test('an offer that is gone is no longer available', async () => {
  const { user } = start([offer('1', 'Odalys Brandt')], {
    'POST /offers/1/accept': refusal(404, { code: 'not_found', detail: 'There is no such offer.' }),
  });
  await user.click(await screen.findByRole('button', { name: /^Take lead/ }));
  expect(await screen.findByText('This lead is no longer available.')).toBeVisible();
});

test('a lead is passed by a click', async () => {
  const { user, asked } = start([offer('1', 'Odalys Brandt')]);
  await user.click(await screen.findByRole('button', { name: 'Pass' }));
  await waitFor(() => expect(routes(asked)).toContain('POST /offers/1/decline'));
  expect(await screen.findByText('You passed on this lead.')).toBeVisible();
});

test('three are shown, the others are counted', async () => {
  start(['1', '2', '3', '4', '5'].map((id) => offer(id, `Lead ${id}`)));
  expect(await screen.findByText('Lead 3')).toBeVisible();
  expect(screen.queryByText('Lead 4')).toBeNull();
  expect(screen.getByText('and 2 more in Routing')).toBeVisible();
});

test('the commons stand on the page of Routing, and cannot be passed', async () => {
  answering({
    'GET /offers/mine': { items: [offer('1', 'Odalys Brandt', { commons: true, ends_at: null }), offer('2', 'Piet')] },
  });
  show(<OfferedToMe />);
  const commons = await screen.findByRole('region', { name: /^In the commons/ });
  expect(commons).toHaveTextContent('Odalys Brandt');
  expect(commons).not.toHaveTextContent('Piet');
  expect(within(commons).queryByRole('button', { name: 'Pass' })).toBeNull();
});

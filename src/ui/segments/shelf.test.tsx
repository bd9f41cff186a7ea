/** The shelf: segments at hand with their counts, opened, saved, renamed, pinned, put in order, deleted with a way back. */
import { screen, waitFor } from '@testing-library/react';
import { answering, sentTo, show } from '../../../tests/harness/render';
import { Shelf } from './shelf';
import type { Segment } from './vocabulary';

const TREE = { all: [{ on: 'stage', how: 'any', of: ['talking'] }] };
const segment = (id: string, name: string, more: object = {}): Segment =>
  ({
    id,
    name,
    tree: TREE,
    team: false,
    mine: true,
    on_shelf: true,
    broken: false,
    sentence: 'People at Talking',
    ...more,
  }) as unknown as Segment;
const ALL = [segment('1', 'Hot'), segment('2', 'Past clients'), segment('3', 'Renters', { on_shelf: false })];
const start = (props: Partial<Parameters<typeof Shelf>[0]> = {}, items = ALL) => {
  const asked = answering({
    'GET /segments': { items },
    'GET /contacts/count': { count: 1_204 },
    'PUT /shelf': {},
    'PATCH /segments/1': segment('1', 'Hot'),
    'POST /segments': segment('9', 'New one'),
    'DELETE /segments/1': {},
  });
  const [onOpen, onSaved] = [jest.fn(), jest.fn()];
  const shelf = <Shelf openId={null} unsaved={null} readOnly={false} onOpen={onOpen} onSaved={onSaved} {...props} />;
  return { asked, onOpen, onSaved, ...show(shelf) };
};
const more = () => screen.findByRole('button', { name: 'More segments, and what to do with the open one' });

test('those on the shelf are there with how many they hold, the others behind More', async () => {
  const { user, onOpen } = start();
  expect(await screen.findByRole('button', { name: /^Hot 1,204/ })).toBeVisible();
  expect(screen.getByRole('button', { name: 'Everyone', pressed: true })).toBeVisible();
  expect(screen.queryByRole('button', { name: /^Renters/ })).toBeNull();
  await user.click(await more());
  await user.click(await screen.findByRole('menuitem', { name: 'Renters' }));
  expect(onOpen).toHaveBeenCalledWith(expect.objectContaining({ id: '3' }));
});

test('the open one is pressed, and is unpinned or moved', async () => {
  const { user, asked } = start({ openId: '1' });
  expect(await screen.findByRole('button', { name: /^Hot/, pressed: true })).toBeVisible();
  await user.click(await more());
  await user.click(await screen.findByRole('menuitem', { name: 'Move right on the shelf' }));
  await waitFor(() => expect(sentTo(asked, 'PUT /shelf')).toEqual({ segments: ['2', '1'] }));
  await user.click(await more());
  await user.click(await screen.findByRole('menuitem', { name: 'Unpin “Hot”' }));
  await waitFor(() => expect(sentTo(asked, 'PUT /shelf')).toEqual({ segments: ['2'] }));
});

test('a filter is saved as a segment, or to the one that is open', async () => {
  const { user, asked, onSaved } = start({ openId: '1', unsaved: TREE as never });
  await user.click(await screen.findByRole('button', { name: 'Save to “Hot”' }));
  await waitFor(() => expect(sentTo(asked, 'PATCH /segments/1')).toEqual({ tree: TREE }));
  expect(await screen.findByText('“Hot” saved.')).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Save as a segment' }));
  await user.type(await screen.findByLabelText('Name'), 'New one{Enter}');
  await waitFor(() => expect(sentTo(asked, 'POST /segments')).toMatchObject({ name: 'New one', tree: TREE }));
  await waitFor(() => expect(onSaved).toHaveBeenCalledWith(expect.objectContaining({ id: '9' })));
});

test('it is renamed', async () => {
  const { user, asked } = start({ openId: '1' });
  await user.click(await more());
  await user.click(await screen.findByRole('menuitem', { name: 'Rename…' }));
  const name = await screen.findByLabelText('Name');
  expect(name).toHaveValue('Hot');
  await user.clear(name);
  await user.type(name, 'Hot now{Enter}');
  await waitFor(() => expect(sentTo(asked, 'PATCH /segments/1')).toMatchObject({ name: 'Hot now' }));
});

test('it is deleted, and Undo makes it again', async () => {
  const { user, asked, onOpen } = start({ openId: '1' });
  await user.click(await more());
  await user.click(await screen.findByRole('menuitem', { name: 'Delete “Hot”' }));
  expect(await screen.findByText('“Hot” deleted.')).toBeVisible();
  expect(onOpen).toHaveBeenCalledWith(null);
  await user.click(screen.getByRole('button', { name: /^Undo/ }));
  await waitFor(() => expect(sentTo(asked, 'POST /segments')).toEqual({ name: 'Hot', tree: TREE, team: false }));
});

test('whoever may only look changes nothing; a segment of somebody else is not renamed', async () => {
  const { user, unmount } = start({ openId: '1', readOnly: true, unsaved: TREE as never });
  expect(await screen.findByRole('button', { name: /^Hot/ })).toBeVisible();
  expect(screen.queryByRole('button', { name: 'Save as a segment' })).toBeNull();
  unmount();
  const other = start({ openId: '1' }, [segment('1', 'Hot', { mine: false })]);
  await other.user.click(await more());
  expect(await screen.findByRole('menuitem', { name: 'Copy a link to it' })).toBeVisible();
  expect(screen.queryByRole('menuitem', { name: 'Rename…' })).toBeNull();
  void user;
});

test('none yet says how to make one', async () => {
  const { user } = start({}, []);
  await user.click(await more());
  expect(await screen.findByText('No segments yet. Build a filter below and save it.')).toBeVisible();
});

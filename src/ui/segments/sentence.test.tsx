/** The filter as a sentence: a part is opened and changed, added, negated, joined by “or”, removed; typed prices are understood. */
import { useState } from 'react';
import { act, screen, waitFor, within } from '@testing-library/react';
import { EVERYBODY, type Tree } from '@/core/segments';
import { WORDS } from '../../../tests/harness/people-of-forms';
import { answering, show } from '../../../tests/harness/render';
import { Sentence } from './sentence';

const TALKING: Tree = { all: [{ on: 'stage', how: 'any', of: ['talking'] }] };

function Filter({ first, onChange }: { first: Tree; onChange: (tree: Tree) => void }) {
  const [tree, setTree] = useState(first);
  return (
    <Sentence
      tree={tree}
      onChange={(next) => {
        setTree(next);
        onChange(next);
      }}
    />
  );
}
const start = (first: Tree) => {
  answering({ 'GET /vocabulary': WORDS });
  const onChange = jest.fn<void, [Tree]>();
  return { onChange, now: () => onChange.mock.calls.at(-1)![0], ...show(<Filter first={first} onChange={onChange} />) };
};
/** Behind an open part it has no role. */
const filter = () => screen.getByRole('group', { name: 'Filter', hidden: true });
const condition = () => screen.findByRole('dialog', { name: 'Condition' });

test('reads as one sentence, its parts can be pressed', async () => {
  start({
    all: [
      { on: 'stage', how: 'any', of: ['talking'] },
      {
        any: [
          { on: 'horizon', how: 'any', of: ['hot'] },
          { on: 'wants_price_max', how: 'between', from: 400_000, to: null },
        ],
      },
    ],
  });
  await waitFor(() => expect(filter()).toHaveTextContent(/Talking/));
  expect(filter()).toHaveTextContent(/Hot ?or ?with a max price of \$400,000 or more/);
  expect(within(filter()).getByRole('button', { name: /\$400,000 or more/ })).toBeVisible();
});

test('a part opens, and a tick more is asked at once', async () => {
  const { user, now } = start(TALKING);
  await user.click(await within(filter()).findByRole('button', { name: /Talking/ }));
  const dialog = await condition();
  expect(await within(dialog).findByRole('checkbox', { name: 'Talking' })).toBeChecked();
  await user.click(within(dialog).getByRole('checkbox', { name: 'New' }));
  expect(now()).toEqual({ all: [{ on: 'stage', how: 'any', of: ['talking', 'new'] }] });
  expect(filter()).toHaveTextContent(/New or Talking|Talking or New/);
});

test('one is added by typing what it asks for, by keyboard alone', async () => {
  const { user, now } = start(EVERYBODY);
  act(() => within(filter()).getByRole('button', { name: 'who…' }).focus());
  await user.keyboard('{Enter}');
  await within(await condition()).findByRole('combobox', { name: 'What to filter by' });
  await user.keyboard('Max pr');
  await screen.findByRole('option', { name: 'Max price' });
  await user.keyboard('{Enter}');
  expect(now()).toMatchObject({ all: [{ on: 'wants_price_max' }] });
  const from = await within(await condition()).findByRole('textbox', { name: 'from' });
  await user.clear(from);
  await user.type(from, '$400k');
  await user.tab();
  expect(from).toHaveValue('$400,000');
  expect(now()).toMatchObject({ all: [{ on: 'wants_price_max', how: 'between', from: 400_000 }] });
});

test('a price that cannot be read is told where it stands, and asks nothing', async () => {
  const { user, onChange } = start({ all: [{ on: 'wants_price_max', how: 'between', from: 400_000, to: null }] });
  await user.click(within(filter()).getByRole('button', { name: /\$400,000/ }));
  const from = await within(await condition()).findByRole('textbox', { name: 'from' });
  await user.clear(from);
  await user.type(from, 'cheap');
  await user.tab();
  expect(await screen.findByText('Enter a price like $400,000 or 400k')).toBeVisible();
  expect(onChange).not.toHaveBeenCalled();
});

test('Not turns it around, Remove takes it out, and the focus goes to where the next is added', async () => {
  const { user, now } = start(TALKING);
  await user.click(await within(filter()).findByRole('button', { name: /Talking/ }));
  await user.click(await within(await condition()).findByRole('button', { name: 'Not' }));
  expect(now()).not.toEqual(TALKING);
  await user.click(await within(filter()).findByRole('button', { name: /Talking/ }));
  await user.click(await within(await condition()).findByRole('button', { name: 'Remove' }));
  expect(now()).toEqual(EVERYBODY);
  await waitFor(() => expect(within(filter()).getByRole('button', { name: 'who…' })).toHaveFocus());
});

test('“or…” joins another', async () => {
  const { user, now } = start(TALKING);
  await user.click(await within(filter()).findByRole('button', { name: /Talking/ }));
  await user.click(await within(await condition()).findByRole('button', { name: 'or…' }));
  await user.click(await screen.findByRole('combobox', { name: 'What to filter by' }));
  await user.keyboard('Horizon');
  await user.click(await screen.findByRole('option', { name: 'Horizon' }));
  expect(now()).toMatchObject({ all: [{ any: [{ on: 'stage' }, { on: 'horizon' }] }] });
});

test('what refers to something deleted says so and can be removed', async () => {
  const { user, now } = start({ all: [{ on: 'field:99', how: 'yes' }] });
  await user.click((await within(filter()).findAllByRole('button')).find((one) => one.textContent !== 'and…')!);
  expect(await within(await condition()).findByText('This refers to something that was deleted.')).toBeVisible();
  await user.click(await within(await condition()).findByRole('button', { name: 'Remove' }));
  expect(now()).toEqual(EVERYBODY);
});

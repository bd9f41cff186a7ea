/** What can be said of a block: each kind of field by its own control, with the agents and homes there are. */
import { screen, waitFor, within } from '@testing-library/react';
import { newPage, type Block, type PublicPage } from '@/core/pages';
import { USERS } from '../../../tests/harness/people-of-forms';
import { answering, refusal, show, type Answers } from '../../../tests/harness/render';
import { BlockFields, HomeField } from './block-fields';

const HOMES = {
  items: [
    { number: 'LC-2', address: '9 Tern Court', open_from: null },
    { number: 'LC-1', address: '14 Heron Lane', open_from: null },
    { number: 'LC-3', address: '31 Wharf Street', open_from: '2026-11-28T20:00:00Z' },
  ],
};
const PAGE: PublicPage = newPage('form', 'Tern & Tiller');
const open = (block: Block, answers: Answers = {}, page = PAGE) => {
  answering({ 'GET /users': USERS, 'GET /listings': HOMES, ...answers });
  const onChange = jest.fn();
  return { onChange, ...show(<BlockFields block={block} page={page} onChange={onChange} />) };
};
const blockOf = (kind: Block['kind']): Block => {
  const found = PAGE.blocks.find((block) => block.kind === kind);
  if (!found) throw new Error(`no ${kind} on a new page`);
  return found;
};
const optionsOf = (choice: HTMLElement) =>
  within(choice)
    .getAllByRole('option')
    .map(({ textContent }) => textContent);

test('a line of words changes as it is typed', async () => {
  const { user, onChange } = open({ id: 'h', kind: 'heading', text: 'Hello' } as unknown as Block);
  await user.type(screen.getByRole('textbox', { name: /Heading text/ }), '!');
  expect(onChange).toHaveBeenLastCalledWith(expect.objectContaining({ kind: 'heading', text: 'Hello!' }));
});

test('what a form asks for is switched on and off, in the order in which visitors are asked', async () => {
  const form = blockOf('form');
  const { user, onChange } = open({ ...form, asks: ['email'] } as unknown as Block);
  const asks = within(screen.getAllByRole('group')[0]!);
  expect(asks.getByRole('button', { name: 'email' })).toHaveAttribute('aria-pressed', 'true');
  await user.click(asks.getByRole('button', { name: 'last name' }));
  const changed = JSON.stringify(onChange.mock.lastCall);
  expect(changed).toContain('["last_name","email"]');
  await user.click(asks.getByRole('button', { name: 'email' }));
  expect(JSON.stringify(onChange.mock.lastCall)).toContain('[]');
});

test('a picture is sent, and stands in the block then', async () => {
  const { user, onChange } = open({ id: 'p', kind: 'picture', picture_id: null, alt: '' } as unknown as Block, {
    'POST /pictures': { id: '44' },
  });
  const file = new File(['x'], 'porch.png', { type: 'image/png' });
  await user.upload(screen.getByLabelText('Choose a picture'), file);
  await waitFor(() => expect(onChange).toHaveBeenCalledWith(expect.objectContaining({ picture_id: '44' })));
});

test('a picture that cannot be read says so, and the block stays', async () => {
  const { user, onChange } = open({ id: 'p', kind: 'picture', picture_id: null, alt: '' } as unknown as Block, {
    'POST /pictures': refusal(422, { code: 'input_unreadable', detail: 'That picture couldn’t be opened.' }),
  });
  await user.upload(screen.getByLabelText('Choose a picture'), new File(['x'], 'porch.png', { type: 'image/png' }));
  expect(await screen.findByText('That picture couldn’t be opened.')).toBeVisible();
  expect(onChange).not.toHaveBeenCalled();
});

test('agents are offered, lenders are not', async () => {
  const { user, onChange } = open({ id: 'a', kind: 'agent', user_id: null } as unknown as Block);
  const choice = screen.getByRole('combobox');
  await waitFor(() => expect(optionsOf(choice)).toEqual(['no one', 'Ines Kolar', 'Asta Lund']));
  await user.selectOptions(choice, 'Asta Lund');
  expect(onChange).toHaveBeenLastCalledWith(expect.objectContaining({ user_id: '2' }));
});

describe('a home', () => {
  const choose = (value: string | null) => {
    answering({ 'GET /listings': HOMES });
    const onChange = jest.fn();
    return { onChange, ...show(<HomeField label="Home" none="none" value={value} onChange={onChange} />) };
  };
  test('those with an open house come first, the others by address', async () => {
    const { user, onChange } = choose(null);
    const choice = screen.getByRole('combobox', { name: 'Home' });
    await waitFor(() => expect(optionsOf(choice)).toEqual(['none', '31 Wharf Street', '14 Heron Lane', '9 Tern Court']));
    await user.selectOptions(choice, '14 Heron Lane');
    expect(onChange).toHaveBeenLastCalledWith('LC-1');
    await user.selectOptions(choice, 'none');
    expect(onChange).toHaveBeenLastCalledWith(null);
  });

  test('one that is no longer listed stays chosen under its number', async () => {
    choose('LC-99');
    const choice = screen.getByRole('combobox', { name: 'Home' });
    expect(choice).toHaveDisplayValue('LC-99');
    await waitFor(() => expect(optionsOf(choice)).toHaveLength(5));
    expect(choice).toHaveDisplayValue('LC-99');
  });
});

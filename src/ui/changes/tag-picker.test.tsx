/** Choosing tags: by typing, with how many have each; a new one is made in passing and given its color. */
import { useState } from 'react';
import { screen, waitFor, within } from '@testing-library/react';
import { answering, refusal, sentTo, show, type Answers } from '../../../tests/harness/render';
import { TagPicker } from './tag-picker';

const TAGS = {
  items: [
    { id: '1', name: 'Boat', color: 'teal', uses: 1_204, locked: false },
    { id: '2', name: 'Porch', color: 'stone', uses: 31, locked: false },
    { id: '3', name: 'Sphere', color: 'plum', uses: 7, locked: false },
  ],
};
const MADE = { id: '9', name: 'Dock', color: 'stone', uses: 0, locked: false };
function Picker({ onChange, ...rest }: { onChange: (ids: string[]) => void; mayMake?: boolean; only?: Map<string, number> }) {
  const [chosen, setChosen] = useState<string[]>(['2']);
  return (
    <TagPicker
      label="Add a tag"
      chosen={chosen}
      onChange={(ids) => {
        setChosen(ids);
        onChange(ids);
      }}
      {...rest}
    />
  );
}
const open = (props: { mayMake?: boolean; only?: Map<string, number> } = {}, answers: Answers = {}) => {
  const asked = answering({ 'GET /tags': TAGS, ...answers });
  const onChange = jest.fn();
  return { asked, onChange, ...show(<Picker onChange={onChange} {...props} />) };
};
const field = () => screen.getByRole('combobox', { name: 'Add a tag' });
const offered = async () => (await screen.findAllByRole('option')).map(({ textContent }) => textContent.replace(/\s/g, ' '));

test('those chosen stand above and are not offered again; each says how many have it', async () => {
  const { user } = open();
  expect(await screen.findByText('Porch')).toBeVisible();
  await user.click(field());
  expect(await offered()).toEqual(['Boat 1,204', 'Sphere 7']);
});

test('one is chosen by typing part of it, and taken away again', async () => {
  const { user, onChange } = open();
  await screen.findByText('Porch');
  await user.type(field(), 'sph');
  await screen.findByRole('option', { name: /Sphere/ });
  await user.keyboard('{ArrowDown}{Enter}');
  await waitFor(() => expect(onChange).toHaveBeenLastCalledWith(['2', '3']));
  await user.click(screen.getByRole('button', { name: 'Remove tag Porch' }));
  expect(onChange).toHaveBeenLastCalledWith(['3']);
});

test('for removing, only those that the chosen people have are offered, with how many of them have each', async () => {
  const { user } = open({ only: new Map([['3', 2]]) });
  await screen.findByText('Porch');
  await user.click(field());
  expect(await offered()).toEqual(['Sphere 2']);
});

test('a new one is made in passing, chosen, and painted', async () => {
  const { user, asked, onChange } = open(
    { mayMake: true },
    { 'POST /tags': MADE, 'PATCH /tags/9': { ...MADE, color: 'teal' }, 'GET /vocabulary': { names: {}, fields: [] } },
  );
  await screen.findByText('Porch');
  await user.type(field(), 'Dock');
  await user.click(await screen.findByRole('option', { name: /Create tag/ }));
  await waitFor(() => expect(onChange).toHaveBeenLastCalledWith(['2', '9']));
  expect(sentTo(asked, 'POST /tags')).toEqual({ name: 'Dock' });
  const colors = within(await screen.findByRole('radiogroup', { name: 'Color of Dock' }));
  await user.click(colors.getByRole('radio', { name: /teal/i }));
  await waitFor(() => expect(sentTo(asked, 'PATCH /tags/9')).toEqual({ color: 'teal' }));
});

test('who may make none is offered none', async () => {
  const { user } = open();
  await screen.findByText('Porch');
  await user.type(field(), 'Dock');
  await waitFor(() => expect(screen.queryByRole('option', { name: /Create tag/ })).toBeNull());
});

test('one that is refused says why, and changes nothing', async () => {
  const { user, onChange } = open(
    { mayMake: true },
    { 'POST /tags': refusal(403, { code: 'not_allowed', detail: 'Only an admin can create tags here.' }) },
  );
  await screen.findByText('Porch');
  await user.type(field(), 'Dock');
  await user.click(await screen.findByRole('option', { name: /Create tag/ }));
  expect(await screen.findByText('Only an admin can create tags here.')).toBeVisible();
  expect(onChange).not.toHaveBeenCalled();
});

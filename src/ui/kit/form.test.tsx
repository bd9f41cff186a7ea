/** Forms: what the server says is wrong stands at its field, what is half-written survives, typed sums are shown as understood. */
import { screen, waitFor, within } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { Problem, readDraft } from '../primitives';
import {
  CheckboxesFormField,
  CheckboxFormField,
  Dialog,
  FormFields,
  SelectFormField,
  TextareaFormField,
  TextFormField,
  TypedFormField,
  useSaveForm,
} from '.';

interface Values {
  name: string;
  price: number | null;
  stage: string;
  note: string;
  team: boolean;
  by: string[];
}
const FIRST: Values = { name: 'Oda', price: null, stage: 'new', note: '', team: false, by: ['email'] };

function Form({ save, draft }: { save: (values: Values) => Promise<unknown>; draft?: string }) {
  const form = useSaveForm({ values: FIRST, save, draft, onSaved: () => {} });
  return (
    <Dialog title="Edit" onClose={() => {}} onSubmit={form.submit} busy={form.busy} error={form.error}>
      <FormFields of={form}>
        <TextFormField name="name" label="First name" />
        <TypedFormField is="money" name="price" label="Max price" />
        <SelectFormField name="stage" label="Stage">
          <option value="new">New</option>
          <option value="talking">Talking</option>
        </SelectFormField>
        <TextareaFormField name="note" label="Note" />
        <CheckboxFormField name="team" label="Share with the team" />
        <CheckboxesFormField
          name="by"
          label="Tell me by"
          options={[
            { value: 'text', label: 'text' },
            { value: 'email', label: 'email' },
            { value: 'mail', label: 'mail' },
          ]}
        />
      </FormFields>
    </Dialog>
  );
}

test('everything that was filled in is sent, sums as they were understood', async () => {
  const save = jest.fn().mockResolvedValue(undefined);
  const { user } = show(<Form save={save} />);
  await user.clear(screen.getByRole('textbox', { name: 'First name' }));
  await user.type(screen.getByRole('textbox', { name: 'First name' }), 'Jago');
  await user.type(screen.getByRole('textbox', { name: 'Max price' }), '1.2M');
  await user.tab();
  expect(screen.getByRole('textbox', { name: 'Max price' })).toHaveValue('$1,200,000');
  await user.selectOptions(screen.getByRole('combobox', { name: 'Stage' }), 'Talking');
  await user.type(screen.getByRole('textbox', { name: 'Note' }), 'Evenings');
  await user.click(screen.getByRole('checkbox', { name: 'Share with the team' }));
  for (const name of ['mail', 'email', 'text'])
    await user.click(within(screen.getByRole('group', { name: 'Tell me by' })).getByRole('checkbox', { name }));
  await user.click(screen.getByRole('button', { name: 'Save' }));
  await waitFor(() => expect(save).toHaveBeenCalled());
  expect((save.mock.calls[0] as unknown[])[0]).toEqual({
    name: 'Jago',
    price: 1_200_000,
    stage: 'talking',
    note: 'Evenings',
    team: true,
    by: ['text', 'mail'],
  });
});

test('what the server says is wrong stands at its field, and what was typed stays', async () => {
  const save = jest
    .fn()
    .mockRejectedValue(new Problem('input_invalid', 'Couldn’t save the change.', 422, [{ field: 'name', message: 'is taken' }]));
  const { user } = show(<Form save={save} />);
  await user.type(screen.getByRole('textbox', { name: 'First name' }), '!');
  await user.keyboard('{Enter}');
  const field = screen.getByRole('textbox', { name: 'First name' });
  await waitFor(() => expect(field).toBeInvalid());
  expect(field).toHaveAccessibleDescription('Is taken');
  expect(field).toHaveValue('Oda!');
});

test('what no field is about is said below the form', async () => {
  const save = jest.fn().mockRejectedValue(new Problem('conflict', 'Somebody changed it meanwhile.', 409));
  const { user } = show(<Form save={save} />);
  await user.click(screen.getByRole('button', { name: 'Save' }));
  expect(await screen.findByText('Somebody changed it meanwhile.')).toBeVisible();
});

test('what is half-written is there again, until it is saved', async () => {
  const save = jest.fn().mockResolvedValue(undefined);
  const first = show(<Form save={save} draft="edit_1" />);
  await first.user.type(screen.getByRole('textbox', { name: 'Note' }), 'Call after five');
  await waitFor(() => expect(readDraft('edit_1')).toContain('Call after five'));
  first.unmount();
  const { user } = show(<Form save={save} draft="edit_1" />);
  expect(screen.getByRole('textbox', { name: 'Note' })).toHaveValue('Call after five');
  await user.click(screen.getByRole('button', { name: 'Save' }));
  await waitFor(() => expect(readDraft('edit_1')).toBe(''));
});

/** What forms are made of: a form in a dialog, in a line, one of a few, how they end, and how what is wrong is said. */
import { screen, waitFor } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { Problem, readDraft } from '../primitives';
import { writeDraft } from '../primitives/draft';
import { fieldWords } from './error-message';
import {
  ErrorMessage,
  errorSentence,
  FormDialog,
  FormEnd,
  InlineForm,
  RadioFormField,
  TextFormField,
  TypedField,
  TypedFormField,
  useSaveForm,
} from '.';

interface Values {
  name: string;
  said: string;
  days: number | null;
}
interface Made {
  save?: (values: Values) => Promise<unknown>;
  onClose?: () => void;
  draft?: string;
  values?: Values;
}
const FIRST: Values = { name: 'Oda', said: 'granted', days: 3 };

function InDialog({ save = () => Promise.resolve(), onClose = () => {}, draft, values = FIRST }: Made) {
  const form = useSaveForm<Values, unknown>({ values, save, onSaved: onClose, draft });
  return (
    <FormDialog title="Edit contact" form={form} onClose={onClose}>
      <TextFormField name="name" label="First name" required help="As they say it" />
      <RadioFormField
        name="said"
        label="What they said"
        options={[
          { value: 'granted', name: 'They said yes' },
          { value: 'withdrawn', name: 'They said no' },
        ]}
      />
      <TypedFormField is="number" name="days" label="Days" />
    </FormDialog>
  );
}

describe('a form in a dialog', () => {
  test('closes without a question while nothing was typed', async () => {
    const onClose = jest.fn();
    const { user } = show(<InDialog onClose={onClose} />);
    await user.keyboard('{Escape}');
    expect(onClose).toHaveBeenCalledTimes(1);
  });

  test('what was typed is asked about; going on keeps it, discarding forgets it', async () => {
    const onClose = jest.fn();
    const { user } = show(<InDialog onClose={onClose} draft="ask" />);
    await user.type(screen.getByRole('textbox', { name: 'First name' }), ' B.');
    await user.keyboard('{Escape}');
    await user.click(await screen.findByRole('button', { name: 'Keep editing' }));
    expect(screen.getByRole('textbox', { name: 'First name' })).toHaveValue('Oda B.');
    await user.keyboard('{Escape}');
    await user.click(await screen.findByRole('button', { name: 'Discard changes' }));
    expect(onClose).toHaveBeenCalledTimes(1);
    expect(readDraft('ask')).toBe('');
  });

  test('is saved by Enter once, however often it is pressed while it is sent', async () => {
    let sent: (value: unknown) => void = () => {};
    const save = jest.fn(() => new Promise((resolve) => (sent = resolve)));
    const onClose = jest.fn();
    const { user } = show(<InDialog save={save} onClose={onClose} />);
    await user.click(screen.getByRole('textbox', { name: 'First name' }));
    await user.keyboard('{Enter}{Enter}{Enter}');
    await waitFor(() => expect(save).toHaveBeenCalled());
    sent(null);
    await waitFor(() => expect(onClose).toHaveBeenCalled());
    expect(save).toHaveBeenCalledTimes(1);
  });

  test('what cannot be read is not sent', async () => {
    const save = jest.fn().mockResolvedValue(undefined);
    const { user } = show(<InDialog save={save} />);
    const days = screen.getByRole('textbox', { name: 'Days' });
    await user.clear(days);
    await user.type(days, 'a few');
    await user.keyboard('{Enter}');
    expect(await screen.findByRole('alert')).toBeVisible();
    expect(days).toBeInvalid();
    expect(save).not.toHaveBeenCalled();
  });

  test('one of a few is chosen by arrows, and sent', async () => {
    const save = jest.fn().mockResolvedValue(undefined);
    const { user } = show(<InDialog save={save} />);
    expect(screen.getByRole('radiogroup', { name: 'What they said' })).toBeVisible();
    await user.click(screen.getByRole('radio', { name: 'They said no' }));
    await user.keyboard('{Enter}');
    await waitFor(() => expect(save).toHaveBeenCalledWith(expect.objectContaining({ said: 'withdrawn' }), expect.anything()));
  });
});

describe('what is half-written', () => {
  test('is only what differs: what somebody else changed meanwhile stays theirs', async () => {
    const first = show(<InDialog draft="stale" />);
    await first.user.type(screen.getByRole('textbox', { name: 'First name' }), ' B.');
    await waitFor(() => expect(JSON.parse(readDraft('stale'))).toEqual({ name: 'Oda B.' }));
    first.unmount();
    const save = jest.fn().mockResolvedValue(undefined);
    const { user } = show(<InDialog save={save} draft="stale" values={{ ...FIRST, days: 9 }} />);
    expect(screen.getByRole('textbox', { name: 'First name' })).toHaveValue('Oda B.');
    expect(screen.getByRole('textbox', { name: 'Days' })).toHaveValue('9');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(save).toHaveBeenCalledWith({ name: 'Oda B.', said: 'granted', days: 9 }, expect.anything()));
  });

  test('is nothing once all is as it was', async () => {
    const { user } = show(<InDialog draft="back" />);
    const name = screen.getByRole('textbox', { name: 'First name' });
    await user.type(name, '!');
    await waitFor(() => expect(readDraft('back')).not.toBe(''));
    await user.keyboard('{Backspace}');
    await waitFor(() => expect(readDraft('back')).toBe(''));
  });

  test('counts as typed: it is not thrown away without a question', async () => {
    writeDraft('asked', JSON.stringify({ name: 'Half' }));
    const onClose = jest.fn();
    const { user } = show(<InDialog draft="asked" onClose={onClose} />);
    expect(await screen.findByDisplayValue('Half')).toBeVisible();
    await user.keyboard('{Escape}');
    expect(await screen.findByRole('button', { name: 'Discard changes' })).toBeVisible();
    expect(onClose).not.toHaveBeenCalled();
  });
});

function InLine({ save }: { save: (values: { name: string }) => Promise<unknown> }) {
  const form = useSaveForm({ values: { name: '' }, save, onSaved: () => {} });
  return (
    <InlineForm form={form} does="Add field" may={form.form.watch('name') !== ''}>
      <TextFormField name="name" label="New field name" />
    </InlineForm>
  );
}
describe('a form in a line', () => {
  test('adds by Enter, and is empty again', async () => {
    const save = jest.fn().mockResolvedValue(undefined);
    const { user } = show(<InLine save={save} />);
    expect(screen.getByRole('button', { name: 'Add field' })).toBeDisabled();
    await user.type(screen.getByRole('textbox', { name: 'New field name' }), 'Boat slip{Enter}');
    await waitFor(() => expect(save).toHaveBeenCalledWith({ name: 'Boat slip' }, expect.anything()));
    await waitFor(() => expect(screen.getByRole('textbox', { name: 'New field name' })).toHaveValue(''));
  });
  test('says below what is wrong with all of it', async () => {
    const save = jest.fn().mockRejectedValue(new Problem('conflict', 'There is a field with this name.', 409));
    const { user } = show(<InLine save={save} />);
    await user.type(screen.getByRole('textbox', { name: 'New field name' }), 'ZIP{Enter}');
    expect(await screen.findByRole('alert')).toHaveTextContent('There is a field with this name.');
    expect(screen.getByRole('textbox', { name: 'New field name' })).toHaveValue('ZIP');
  });
});

test('a form ends with what it does and out of it again; busy it hears no second click but keeps the focus', async () => {
  const onSubmit = jest.fn((event: { preventDefault: () => void }) => event.preventDefault());
  const onCancel = jest.fn();
  const ends = (busy: boolean) => (
    <form onSubmit={onSubmit}>
      <FormEnd does="Save note" busy={busy} onCancel={onCancel} />
    </form>
  );
  const { user, unmount } = show(ends(true));
  await user.click(screen.getByRole('button', { name: 'Save note' }));
  expect(onSubmit).not.toHaveBeenCalled();
  expect(screen.getByRole('button', { name: 'Save note' })).toHaveFocus();
  unmount();
  const next = show(ends(false));
  await next.user.click(screen.getByRole('button', { name: 'Save note' }));
  expect(onSubmit).toHaveBeenCalledTimes(1);
  await next.user.click(screen.getByRole('button', { name: 'Cancel' }));
  expect(onCancel).toHaveBeenCalledTimes(1);
});

describe('what is wrong', () => {
  const problem = new Problem('input_invalid', 'Check your input.', 422, [
    { field: 'members.2.daily_cap', message: 'must be 1 or more' },
    { field: 'safety_net_id', message: 'is missing' },
  ]);
  test('names fields as people do, where a form has many', () => {
    expect(errorSentence(problem, true)).toBe('Check your input. Member 3, daily cap: must be 1 or more; Safety net: is missing');
    expect(errorSentence(problem)).toBe('Check your input. must be 1 or more; is missing');
  });
  test.each([
    ['phones.0.value', 'Phone 1, value'],
    ['first_name', 'First name'],
    ['assigned_id', 'Assigned'],
  ])('%s is %s', (field, words) => expect(fieldWords(field)).toBe(words));
  test('is nothing while nothing is wrong', () => {
    const { container } = show(<ErrorMessage error={null} />);
    expect(container.querySelector('[role="alert"]')).toBeNull();
  });
});

test('a typed field takes what can be read on Enter, empties to nothing, and says the server’s reason too', async () => {
  const onChange = jest.fn();
  const read = (text: string) => (Number.isNaN(Number(text)) ? null : Number(text));
  const field = (error?: string) => (
    <TypedField label="Size" value={3} onChange={onChange} read={read} show={String} help="Enter a number like 3" error={error} />
  );
  const { user, unmount } = show(field());
  const size = screen.getByRole('textbox', { name: 'Size' });
  await user.clear(size);
  await user.type(size, '12{Enter}');
  expect(onChange).toHaveBeenLastCalledWith(12);
  await user.clear(size);
  await user.tab();
  expect(onChange).toHaveBeenLastCalledWith(null);
  unmount();
  show(field('Is more than there are'));
  expect(screen.getByRole('textbox', { name: 'Size' })).toHaveAccessibleDescription('Is more than there are');
});

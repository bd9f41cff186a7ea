/** Fields as people meet them: under their label, by keyboard, wrong when they are. */
import { useState } from 'react';
import { screen } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { Checkbox, Input, Radio, Select, Textarea } from '.';

function Form() {
  const [form, setForm] = useState({ name: '', days: 30, note: '', stage: 'new', hot: false, by: 'text' });
  return (
    <>
      <label>
        Name <Input value={form.name} maxLength={10} onChange={(event) => setForm({ ...form, name: event.target.value })} />
      </label>
      <label>
        Days{' '}
        <Input
          type="number"
          min={1}
          value={form.days}
          width={60}
          onChange={(event) => setForm({ ...form, days: Number(event.target.value) })}
        />
      </label>
      <Textarea aria-label="Note" value={form.note} onChange={(event) => setForm({ ...form, note: event.target.value })} />
      <Select aria-label="Stage" value={form.stage} onChange={(event) => setForm({ ...form, stage: event.target.value })}>
        <option value="new">New</option>
        <option value="talking">Talking</option>
      </Select>
      <Checkbox checked={form.hot} onChange={(event) => setForm({ ...form, hot: event.target.checked })}>
        Hot
      </Checkbox>
      {['text', 'email'].map((one) => (
        <Radio key={one} name="by" checked={form.by === one} onChange={() => setForm({ ...form, by: one })}>
          {one}
        </Radio>
      ))}
      <output>{JSON.stringify(form)}</output>
    </>
  );
}

test('each is filled in under its label', async () => {
  const { user } = show(<Form />);
  await user.type(screen.getByRole('textbox', { name: 'Name' }), 'Oda Brandvold');
  await user.clear(screen.getByRole('spinbutton', { name: 'Days' }));
  await user.type(screen.getByRole('spinbutton', { name: 'Days' }), '14');
  await user.type(screen.getByRole('textbox', { name: 'Note' }), 'Two{Enter}lines');
  await user.selectOptions(screen.getByRole('combobox', { name: 'Stage' }), 'Talking');
  await user.click(screen.getByText('Hot'));
  await user.click(screen.getByRole('radio', { name: 'email' }));
  expect(JSON.parse(screen.getByRole('status').textContent)).toEqual({
    name: 'Oda Brandv',
    days: 14,
    note: 'Two\nlines',
    stage: 'talking',
    hot: true,
    by: 'email',
  });
});

test('all of it by keyboard alone', async () => {
  const { user } = show(<Form />);
  await user.tab();
  await user.keyboard('Jago');
  await user.tab();
  await user.tab();
  await user.keyboard('called');
  await user.tab();
  await user.tab();
  await user.keyboard(' ');
  await user.tab();
  expect(screen.getByRole('radio', { name: 'text' })).toHaveFocus();
  await user.keyboard('{ArrowDown}');
  expect(JSON.parse(screen.getByRole('status').textContent)).toMatchObject({
    name: 'Jago',
    note: 'called',
    hot: true,
    by: 'email',
  });
});

test('a field that is wrong says so, one that may not be changed is not', async () => {
  const { user } = show(
    <>
      <Input aria-label="Email" aria-invalid aria-describedby="why" defaultValue="oda@" />
      <p id="why">Enter an email address like oda@harbor.example</p>
      <Input aria-label="Key" defaultValue="fixed" disabled />
    </>,
  );
  expect(screen.getByRole('textbox', { name: 'Email' })).toBeInvalid();
  expect(screen.getByRole('textbox', { name: 'Email' })).toHaveAccessibleDescription(
    'Enter an email address like oda@harbor.example',
  );
  await user.tab();
  await user.tab();
  expect(screen.getByRole('textbox', { name: 'Key' })).not.toHaveFocus();
});

/** A fact is changed where it stands. */
import { screen, waitFor } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { Problem } from '../primitives';
import { Fact, FactLine } from '.';

test('a click opens its field, Enter saves, and the focus comes back', async () => {
  const save = jest.fn().mockResolvedValue(undefined);
  const { user } = show(<Fact label="City" shown="Saltmarsh" typed="Saltmarsh" onSave={save} />);
  await user.click(screen.getByRole('button', { name: 'Saltmarsh' }));
  const field = screen.getByRole('textbox', { name: 'City' });
  expect(field).toHaveFocus();
  await user.clear(field);
  await user.type(field, ' Quillhaven {Enter}');
  expect(save).toHaveBeenCalledWith('Quillhaven');
  await waitFor(() => expect(screen.getByRole('button', { name: 'Saltmarsh' })).toHaveFocus());
});

test('Esc leaves it as it was, nothing changed is nothing sent', async () => {
  const save = jest.fn().mockResolvedValue(undefined);
  const { user } = show(<Fact label="City" shown="Saltmarsh" typed="Saltmarsh" onSave={save} />);
  await user.click(screen.getByRole('button', { name: 'Saltmarsh' }));
  await user.type(screen.getByRole('textbox', { name: 'City' }), 'x{Escape}');
  await user.click(screen.getByRole('button', { name: 'Saltmarsh' }));
  await user.keyboard('{Enter}');
  expect(save).not.toHaveBeenCalled();
});

test('what is wrong stands at the field, and what was typed stays', async () => {
  const save = jest
    .fn()
    .mockRejectedValue(new Problem('input_invalid', 'No.', 422, [{ field: 'phones.0', message: '“12” isn’t a phone number' }]));
  const { user } = show(<Fact label="Phones" shown={null} typed="" onSave={save} />);
  await user.click(screen.getByRole('button', { name: 'Add' }));
  await user.type(screen.getByRole('textbox', { name: 'Phones' }), '12{Enter}');
  await waitFor(() => expect(screen.getByRole('textbox', { name: 'Phones' })).toBeInvalid());
  expect(screen.getByRole('textbox', { name: 'Phones' })).toHaveAccessibleDescription('“12” isn’t a phone number');
  expect(screen.getByRole('textbox', { name: 'Phones' })).toHaveValue('12');
});

test('several lines are saved by Ctrl+Enter; what may not be changed is read', async () => {
  const save = jest.fn().mockResolvedValue(undefined);
  const { user } = show(
    <>
      <Fact label="Notes" shown="One" typed="One" several onSave={save} />
      <Fact label="ZIP" shown="98741" typed="98741" readOnly onSave={save} />
      <FactLine label="Calls">Never called</FactLine>
    </>,
  );
  await user.click(screen.getByRole('button', { name: 'One' }));
  await user.type(screen.getByRole('textbox', { name: 'Notes' }), '{Enter}Two{Control>}{Enter}{/Control}');
  expect(save).toHaveBeenCalledWith('One\nTwo');
  expect(screen.queryByRole('button', { name: '98741' })).toBeNull();
  expect(screen.getByText('Never called')).toBeVisible();
});

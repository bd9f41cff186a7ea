/** Buttons: what they say, whether they are on, where they lead. */
import { screen } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { BareButton, Button, FileButton, LinkButton } from '.';

test('a button does what it says by pointer and by keys, and sends no form unless it is said to', async () => {
  const pressed = jest.fn();
  const sent = jest.fn((event: React.FormEvent) => event.preventDefault());
  const { user } = show(
    <form onSubmit={sent}>
      <Button onClick={pressed}>Call</Button>
      <BareButton onClick={pressed}>Oda Brandvold</BareButton>
      <Button type="submit" look="main">
        Save
      </Button>
    </form>,
  );
  await user.click(screen.getByRole('button', { name: 'Call' }));
  await user.tab();
  expect(screen.getByRole('button', { name: 'Oda Brandvold' })).toHaveFocus();
  await user.keyboard('{Enter} ');
  expect([pressed.mock.calls.length, sent.mock.calls.length]).toEqual([3, 0]);
  await user.click(screen.getByRole('button', { name: 'Save' }));
  expect(sent).toHaveBeenCalledTimes(1);
});

test('one that is on says so', () => {
  show(
    <>
      <Button pressed>Unread</Button>
      <Button pressed={false}>All</Button>
      <Button>Neither</Button>
    </>,
  );
  expect(screen.getByRole('button', { name: 'Unread' })).toHaveAttribute('aria-pressed', 'true');
  expect(screen.getByRole('button', { name: 'Unread' })).toHaveAttribute('data-selected');
  expect(screen.getByRole('button', { name: 'All' })).toHaveAttribute('aria-pressed', 'false');
  expect(screen.getByRole('button', { name: 'Neither' })).not.toHaveAttribute('aria-pressed');
});

test('a button that may not be pressed is not', async () => {
  const pressed = jest.fn();
  const { user } = show(
    <Button disabled onClick={pressed}>
      Save
    </Button>,
  );
  await user.tab();
  await user.keyboard('{Enter}');
  expect(screen.getByRole('button', { name: 'Save' })).toBeDisabled();
  expect(pressed).not.toHaveBeenCalled();
});

test('a link that looks like a button is a link', () => {
  show(
    <>
      <LinkButton href="/contacts">Contacts</LinkButton>
      <LinkButton href="/api/v1/files/3" download>
        The file
      </LinkButton>
    </>,
  );
  expect(screen.getByRole('link', { name: 'Contacts' })).toHaveAttribute('href', '/contacts');
  expect(screen.getByRole('link', { name: 'The file' })).toHaveAttribute('download');
});

test('a file is asked for under its label; the same one twice', async () => {
  const given = jest.fn();
  const { user } = show(
    <FileButton label="File of contacts" accept=".csv" onFile={given}>
      Choose a file
    </FileButton>,
  );
  const file = new File(['Name'], 'people.csv', { type: 'text/csv' });
  const field = screen.getByLabelText('File of contacts');
  await user.upload(field, file);
  await user.upload(field, file);
  expect(given.mock.calls).toEqual([[file], [file]]);
});

test('what asks for a file is one control, not a button around one', () => {
  show(<FileButton onFile={() => {}}>Attach a file</FileButton>);
  expect(screen.queryByRole('button')).not.toBeInTheDocument();
  expect(screen.getByText('Attach a file').closest('label')).not.toHaveAttribute('role');
});

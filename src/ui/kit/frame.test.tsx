/** Parts around the work: a sheet from below, menus with a head, files that are dropped, links as tabs. */
import { useState } from 'react';
import { screen, waitFor, within } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { Button, ChoiceMenu, Disclosure, FileButton, Heading, Sheet } from '.';

test('a sheet is a dialog of its name, and Esc closes it', async () => {
  const onClose = jest.fn();
  const { user } = show(
    <Sheet title="More" onClose={onClose}>
      <Button>Log out</Button>
    </Sheet>,
  );
  const sheet = screen.getByRole('dialog', { name: 'More' });
  expect(within(sheet).getByRole('heading', { level: 1 })).toHaveTextContent('More');
  await user.keyboard('{Escape}');
  expect(onClose).toHaveBeenCalled();
});

function Stage({ onChoose }: { onChoose: (stage: string) => void }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button onClick={(event) => setAnchor(event.currentTarget)}>Stage</Button>
      <ChoiceMenu
        anchor={anchor}
        head="Stage of Piet"
        choices={[
          { key: 'new', name: 'New', onChoose: () => onChoose('new') },
          { key: 'talking', name: 'Talking', note: 'They answered', chosen: true, onChoose: () => onChoose('talking') },
          { key: 'client', name: 'Client', disabled: true, onChoose: () => onChoose('client') },
        ]}
        onClose={() => setAnchor(null)}
      />
    </>
  );
}
test('a menu opens at what is chosen; its head and what is disabled are passed over', async () => {
  const onChoose = jest.fn();
  const { user } = show(<Stage onChoose={onChoose} />);
  await user.click(screen.getByRole('button', { name: 'Stage' }));
  await waitFor(() => expect(screen.getByRole('menuitem', { name: /Talking/ })).toHaveFocus());
  expect(screen.getByRole('menuitem', { name: /Talking/ })).toHaveTextContent('They answered');
  await user.keyboard('{ArrowDown}');
  expect(screen.getByRole('menuitem', { name: 'New' })).toHaveFocus();
  await user.keyboard('{Enter}');
  expect(onChoose).toHaveBeenCalledWith('new');
  await waitFor(() => expect(screen.queryByRole('menu')).toBeNull());
  expect(screen.getByRole('button', { name: 'Stage' })).toHaveFocus();
});

test('Esc leaves a menu without a choice', async () => {
  const onChoose = jest.fn();
  const { user } = show(<Stage onChoose={onChoose} />);
  await user.click(screen.getByRole('button', { name: 'Stage' }));
  await screen.findByRole('menu');
  await user.keyboard('{Escape}');
  await waitFor(() => expect(screen.queryByRole('menu')).toBeNull());
  expect(onChoose).not.toHaveBeenCalled();
});

test('files are chosen by a button of their name', async () => {
  const onFile = jest.fn();
  const { user, container } = show(<FileButton onFile={onFile}>Choose a file…</FileButton>);
  expect(screen.getByText('Choose a file…')).toBeVisible();
  const file = new File(['a,b'], 'people.csv', { type: 'text/csv' });
  await user.upload(container.querySelector('input[type="file"]')!, file);
  expect(onFile).toHaveBeenCalledWith(file);
});

test('headings have their levels, what opens is opened by its summary', async () => {
  const { user } = show(
    <>
      <Heading>Important dates</Heading>
      <Disclosure>
        <summary>What counts</summary>
        <p>Two minutes or more</p>
      </Disclosure>
    </>,
  );
  expect(screen.getByRole('heading', { name: 'Important dates', level: 2 })).toBeVisible();
  await user.click(screen.getByText('What counts'));
  expect(screen.getByText('Two minutes or more')).toBeVisible();
});

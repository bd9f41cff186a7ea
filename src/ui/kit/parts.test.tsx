/** Small parts: menus, popups, tabs, groups, chips, counts, colors, tables, what is loading. */
import { useState } from 'react';
import { screen, waitFor } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import {
  Area,
  Button,
  Chip,
  EmptyState,
  GroupHead,
  Input,
  ListRow,
  MenuButton,
  moved,
  PageHead,
  Popup,
  Progress,
  Section,
  SideNav,
  Skeleton,
  StatLink,
  Swatches,
  Table,
  TabPanel,
  Tabs,
  Text,
} from '.';

test('a menu is chosen from by keyboard, and the focus comes back to its button', async () => {
  const chosen = jest.fn();
  const { user } = show(
    <MenuButton
      choices={[
        { key: 'rename', name: 'Rename…', onChoose: chosen },
        { key: 'delete', name: 'Delete', disabled: true, apart: true, onChoose: () => {} },
      ]}
    >
      More…
    </MenuButton>,
  );
  const button = screen.getByRole('button', { name: 'More…' });
  await user.click(button);
  expect(button).toHaveAttribute('aria-expanded', 'true');
  expect(screen.getByRole('menuitem', { name: 'Delete' })).toHaveAttribute('aria-disabled', 'true');
  await user.keyboard('{Enter}');
  expect(chosen).toHaveBeenCalledTimes(1);
  await waitFor(() => expect(button).toHaveFocus());
});

function Chooser() {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button onClick={(event) => setAnchor(event.currentTarget)}>Columns</Button>
      <Popup anchor={anchor} label="Columns" onClose={() => setAnchor(null)}>
        <Input aria-label="Find a column" />
      </Popup>
    </>
  );
}
test('a popup takes the focus into its first field and gives it back', async () => {
  const { user } = show(<Chooser />);
  await user.click(screen.getByRole('button', { name: 'Columns' }));
  expect(screen.getByRole('dialog', { name: 'Columns' })).toBeVisible();
  await waitFor(() => expect(screen.getByRole('textbox', { name: 'Find a column' })).toHaveFocus());
  await user.keyboard('{Escape}');
  await waitFor(() => expect(screen.getByRole('button', { name: 'Columns' })).toHaveFocus());
});

function Parts() {
  const [at, setAt] = useState<'timeline' | 'details'>('timeline');
  return (
    <>
      <Tabs
        label="Parts"
        at={at}
        onGo={setAt}
        tabs={[
          { key: 'timeline', name: 'Timeline' },
          { key: 'details', name: 'Details' },
        ]}
      />
      <TabPanel of={at}>{at === 'timeline' ? 'What happened' : 'What is known'}</TabPanel>
    </>
  );
}
test('tabs are gone between by arrows', async () => {
  const { user } = show(<Parts />);
  await user.click(screen.getByRole('tab', { name: 'Timeline' }));
  await user.keyboard('{ArrowRight}{Enter}');
  expect(screen.getByRole('tab', { name: 'Details' })).toHaveAttribute('aria-selected', 'true');
  expect(screen.getByRole('tabpanel', { name: 'Details' })).toHaveTextContent('What is known');
});

test('a group folds, a row says that it is chosen', async () => {
  const folded = jest.fn();
  const chosen = jest.fn();
  window.HTMLElement.prototype.scrollIntoView = jest.fn();
  const { user } = show(
    <>
      <GroupHead name="Waiting for your reply" count={28} folded={false} onFold={folded} />
      <ListRow chosen onChoose={chosen} end="15 hr ago">
        Piet Nakagami
      </ListRow>
    </>,
  );
  await user.click(screen.getByRole('button', { name: 'Waiting for your reply', expanded: true }));
  expect(folded).toHaveBeenCalledWith(true);
  const row = screen.getByRole('button', { name: /Piet Nakagami/ });
  expect(row).toHaveAttribute('aria-current', 'true');
  await user.click(row);
  expect(chosen).toHaveBeenCalled();
});

test('a chip is removed by its name, a color chosen by its name', async () => {
  const removed = jest.fn();
  const picked = jest.fn();
  const { user } = show(
    <>
      <Chip color="teal" removes="Remove tag lake" onRemove={removed}>
        lake
      </Chip>
      <Swatches
        label="Color"
        chosen="teal"
        onPick={picked}
        colors={[
          { key: 'teal', look: '#0b8097' },
          { key: 'rose', look: '#b8527a' },
        ]}
      />
    </>,
  );
  await user.click(screen.getByRole('button', { name: 'Remove tag lake' }));
  expect(removed).toHaveBeenCalled();
  expect(screen.getByRole('radio', { name: 'teal' })).toBeChecked();
  await user.click(screen.getByRole('radio', { name: 'rose' }));
  expect(picked).toHaveBeenCalledWith('rose');
});

test('a number leads to its people, and says what it counts', () => {
  show(
    <StatLink href="/contacts?stage=new" of="17 leads not attempted">
      17
    </StatLink>,
  );
  expect(screen.getByRole('link', { name: '17 leads not attempted' })).toHaveAttribute('href', '/contacts?stage=new');
});

test('what is coming is said, what is not there says what to do, work says how far it is', () => {
  show(
    <>
      <Skeleton label="Loading contacts" />
      <EmptyState does={<Button>Add a lead</Button>}>You’re all caught up.</EmptyState>
      <Progress done={40} of={160} label="Importing" />
    </>,
  );
  expect(screen.getByRole('status', { name: 'Loading contacts' })).toHaveAttribute('aria-busy', 'true');
  expect(screen.getByRole('button', { name: 'Add a lead' })).toBeVisible();
  expect(screen.getByRole('progressbar', { name: 'Importing' })).toHaveAttribute('aria-valuenow', '25');
});

test('parts of a page are named regions; what is unseen is read', () => {
  show(
    <Area label="Contacts" side={<p>Dossier</p>}>
      <PageHead title="Contacts" note="3,957 people" />
      <Section title="API keys" note="Shown once." end={<Button>Add</Button>}>
        <Text as="p" unseen>
          none yet
        </Text>
      </Section>
    </Area>,
  );
  expect(screen.getByRole('region', { name: 'Contacts' })).toContainElement(screen.getByRole('heading', { level: 1 }));
  expect(screen.getByRole('region', { name: 'API keys' })).toHaveTextContent('Shown once.');
  expect(screen.getByText('none yet').tagName).toBe('P');
});

test('the section that one is in is marked among the links', () => {
  show(
    <SideNav
      label="Sections"
      links={[
        { href: '/setup/tags', name: 'Tags', here: true },
        { href: '/setup/data', name: 'Data', here: false },
      ]}
    >
      <p>Tags</p>
    </SideNav>,
  );
  expect(screen.getByRole('link', { name: 'Tags' })).toHaveAttribute('aria-current', 'page');
  expect(screen.getByRole('link', { name: 'Data' })).not.toHaveAttribute('aria-current');
});

test('a table that scrolls is reached by keyboard and named', () => {
  show(
    <Table aria-label="Preview of the file" height={200}>
      <tbody>
        <tr>
          <td>Oda</td>
        </tr>
      </tbody>
    </Table>,
  );
  expect(screen.getByRole('group', { name: 'Preview of the file' })).toHaveAttribute('tabindex', '0');
});

test.each([
  [0, 2, 'bca'],
  [2, 0, 'cab'],
  [1, 9, 'acb'],
])('one of three moved from %i to %i', (from, to, wanted) => expect(moved(['a', 'b', 'c'], from, to).join('')).toBe(wanted));

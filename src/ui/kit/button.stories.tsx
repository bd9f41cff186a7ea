/** Buttons in their looks, sizes and states. */
import { Search } from 'lucide-react';
import { BareButton, Button, LinkButton, MenuButton, Row, Stack } from '.';

export default { title: 'Button' };

export const Looks = () => (
  <Stack gap={4}>
    <Row>
      <Button look="main">Save</Button>
      <Button>Cancel</Button>
      <Button look="warn">Delete</Button>
      <Button look="text">More…</Button>
      <Button look="link">Show all</Button>
    </Row>
    <Row>
      <Button size="small">Small</Button>
      <Button size="tiny">Tiny</Button>
      <Button pressed>Unread</Button>
      <Button pressed={false}>All</Button>
      <Button disabled>Send</Button>
      <Button>
        <Search size={16} aria-hidden="true" /> Find
      </Button>
    </Row>
    <Row>
      <LinkButton href="/contacts">Contacts</LinkButton>
      <LinkButton look="link" href="/contacts">
        214 people
      </LinkButton>
      <BareButton>A row of a list</BareButton>
    </Row>
  </Stack>
);

export const Menu = () => (
  <MenuButton
    choices={[
      { key: 'rename', name: 'Rename…', onChoose: () => {} },
      { key: 'copy', name: 'Copy', note: 'with its steps', chosen: true, onChoose: () => {} },
      { key: 'delete', name: 'Delete', apart: true, disabled: true, onChoose: () => {} },
    ]}
  >
    More…
  </MenuButton>
);

/** What stands around the work: the Wire and its bar on a phone, areas, sections, what lies over the page, the login. */
import { useState } from 'react';
import {
  Area,
  BareButton,
  BottomBar,
  Button,
  ChoiceMenu,
  DropArea,
  FieldGroup,
  Floating,
  Heading,
  LinkTabs,
  LoginChoice,
  LoginMark,
  LoginPage,
  Mark,
  Page,
  Perch,
  Plainset,
  Progress,
  ProgressPanel,
  ProgressStack,
  Row,
  SelectionBar,
  Sheet,
  SideNav,
  SidePanel,
  SkipLink,
  Split,
  SplitSide,
  Stack,
  StatLink,
  Swatches,
  Text,
  WireBar,
  WireButton,
  WireEnds,
  Aside,
} from '.';

export default { title: 'Frame' };

export const Wire = () => (
  <div>
    <SkipLink href="#page">Skip to content</SkipLink>
    <WireBar>
      <Mark href="/today">Urraca</Mark>
      <nav aria-label="Areas">
        {[
          ['Today', '282'],
          ['Inbox', '9'],
          ['Routing', '2'],
        ].map(([name, count]) => (
          <Perch
            key={name}
            href={`/${name!.toLowerCase()}`}
            aria-current={name === 'Today' ? 'page' : undefined}
            data-pressing={name === 'Routing' || undefined}
          >
            {name}
            <b>{count}</b>
            <i />
          </Perch>
        ))}
      </nav>
      <WireEnds>
        <WireButton className="clock">Mon 10:24 AM</WireButton>
        <WireButton>Search</WireButton>
        <WireButton className="who" aria-label="Ada Lindqvist">
          AL
        </WireButton>
      </WireEnds>
    </WireBar>
    <Page id="page" as="div">
      <LinkTabs aria-label="Parts of Market">
        <a href="#homes" aria-current="page">
          Homes
        </a>
        <a href="#pages">Pages</a>
      </LinkTabs>
      <Area label="People" flow shape="lead" side={<SidePanel page>Piet Nakagami</SidePanel>}>
        <Heading>Waiting for your reply</Heading>
      </Area>
    </Page>
    <BottomBar aria-label="Areas, on a phone">
      <a href="#today" aria-current="page">
        <b>282</b>Today
      </a>
      <a href="#inbox">
        <b>9</b>Inbox
      </a>
      <BareButton>Search</BareButton>
      <BareButton>Add</BareButton>
      <BareButton>More</BareButton>
    </BottomBar>
  </div>
);

export const Sections = () => (
  <SideNav
    label="Setup"
    links={[
      { href: '/setup/office', name: 'Office and users', here: true },
      { href: '/setup/stages', name: 'Stages and horizons', here: false },
    ]}
  >
    <Split>
      <Plainset>
        <FieldGroup>
          <legend>Color of the brokerage</legend>
          <Swatches
            label="Color"
            colors={[
              { key: 'teal', look: '#0f766e' },
              { key: 'rose', look: '#be123c' },
            ]}
            chosen="teal"
            onPick={() => {}}
          />
        </FieldGroup>
      </Plainset>
      <SplitSide>
        <Aside>
          <Text strong>How it will look</Text>
        </Aside>
      </SplitSide>
    </Split>
  </SideNav>
);

export const Offered = () => (
  <Floating aria-label="Leads offered to you" aria-live="polite">
    <Text strong>Oda Brandvold</Text>
    <Row>
      <Button look="main">Take</Button>
      <Button>Pass</Button>
    </Row>
  </Floating>
);

export const Selected = () => (
  <SelectionBar role="toolbar" aria-label="Actions for the selected contacts">
    <b aria-live="polite">12 of 1,284 selected</b>
    <Button look="text">Add tags…</Button>
    <i />
    <Button look="text">Clear</Button>
  </SelectionBar>
);

export const Working = () => (
  <ProgressStack>
    <ProgressPanel>
      <div>In progress: add the tag “lake”</div>
      <Row>
        <Progress done={400} of={1200} label="Progress" />
        <Text tone="soft" small>
          400 of 1,200
        </Text>
      </Row>
    </ProgressPanel>
  </ProgressStack>
);

export const Dropping = () => (
  <Stack>
    <DropArea over={false} as="div">
      Drop a file here
    </DropArea>
    <DropArea over as="div">
      Let go to read it
    </DropArea>
  </Stack>
);

export const FromBelow = () => (
  <Sheet title="More" onClose={() => {}}>
    <Text>
      Contacts <StatLink href="/contacts">2,400</StatLink>
    </Text>
    <Button>Log out</Button>
  </Sheet>
);

export const Choosing = () => {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button ref={setAnchor}>Stage</Button>
      <ChoiceMenu
        anchor={anchor}
        head="Stage of Piet Nakagami"
        choices={[
          { key: 'new', name: 'New', onChoose: () => {} },
          { key: 'talking', name: 'Talking', note: 'They answered', chosen: true, onChoose: () => {} },
          { key: 'none', name: 'Archive…', apart: true, disabled: true, onChoose: () => {} },
        ]}
        onClose={() => {}}
      />
    </>
  );
};

export const Login = () => (
  <LoginPage as="div">
    <LoginMark>
      <h1>Urraca</h1>
    </LoginMark>
    <LoginChoice>
      Ada Lindqvist <Text tone="soft">Admin</Text>
    </LoginChoice>
  </LoginPage>
);

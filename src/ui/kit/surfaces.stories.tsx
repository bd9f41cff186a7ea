/** Surfaces, words and what stands in place of what is not there yet. */
import { useState } from 'react';
import {
  Ago,
  Button,
  Callout,
  Chip,
  CodeText,
  Columns,
  EmptyState,
  Fact,
  FactLine,
  GroupHead,
  Heading,
  Highlight,
  Kbd,
  ListLine,
  ListRow,
  PageHead,
  Panel,
  Face,
  Portrait,
  Progress,
  QrImage,
  RawText,
  Row,
  Section,
  Skeleton,
  Stack,
  StatLink,
  Table,
  TabPanel,
  Tabs,
  Text,
  Toolbar,
  Well,
  HistoryButtons,
  UnsavedNotice,
} from '.';

export default { title: 'Surface' };

export const Words = () => (
  <Stack gap={3}>
    <PageHead title="282 people today" note="0 of 30 today">
      <Button>Print</Button>
    </PageHead>
    <Heading>Important dates</Heading>
    <Row>
      <Text strong>Oda Brandvold</Text>
      <Text tone="soft">with Teo Marchetti</Text>
      <Text tone="late">41 days overdue</Text>
      <Text tone="good">yes</Text>
      <Text tone="main">round robin</Text>
      <Text small>small</Text>
      <Text secret>(360) 555-0142</Text>
      <Kbd>Ctrl Enter</Kbd>
      <Ago at="2026-11-23T16:00:00Z" />
    </Row>
    <Row>
      <Chip color="teal">lake</Chip>
      <Chip color="rose" onRemove={() => {}} removes="Remove tag open house">
        open house
      </Chip>
      <Chip>new</Chip>
      <StatLink href="/contacts" of="17 leads not attempted">
        17
      </StatLink>
    </Row>
  </Stack>
);

const QR = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 4 4"><path d="M0 0h2v1H0zM3 2h1v2H3z"/></svg>';

export const Codes = () => (
  <Row>
    <Face name="Oda Fenn" src={null} />
    <Portrait src={`data:image/svg+xml;utf8,${encodeURIComponent(QR)}`} alt="Photo of Oda Fenn" />
    <QrImage svg={QR} alt="QR code for an authenticator app" />
    <CodeText>{'k7m3x-9pq2w\nq2w9p-x3m7k'}</CodeText>
  </Row>
);

export const Panels = () => (
  <Columns least={320} gap={5}>
    <Panel>
      <Callout first>New: not attempted yet</Callout>
      <Toolbar role="toolbar" aria-label="Actions">
        <Button look="main">Call</Button>
        <Button>Text</Button>
      </Toolbar>
      <Well>
        <Text>A note being written</Text>
      </Well>
      <Highlight>Prefers evenings</Highlight>
    </Panel>
    <Section title="API keys" note="Shown once." end={<Button size="tiny">Add</Button>}>
      <ListLine end={<Button size="tiny">Revoke</Button>}>Website form</ListLine>
      <ListLine>Signage</ListLine>
    </Section>
    <EmptyState does={<Button>Add a lead</Button>}>You’re all caught up.</EmptyState>
    <Skeleton lines={4} />
    <RawText>From: portal@brackwater.example</RawText>
    <Progress done={40} of={100} label="Importing" />
  </Columns>
);

const nothing = () => {};
export const BeingChanged = () => (
  <Stack>
    <Row>
      <HistoryButtons history={{ back: nothing, forward: nothing, mayBack: true, mayForward: false }} />
    </Row>
    <UnsavedNotice history={{ isRestored: true, discard: nothing }} />
  </Stack>
);

export const Lists = () => {
  const [at, setAt] = useState('1');
  const [folded, setFolded] = useState(false);
  return (
    <Stack width={420}>
      <GroupHead name="Waiting for your reply" count={2} folded={folded} onFold={setFolded} />
      {!folded &&
        ['1', '2'].map((key) => (
          <ListRow key={key} chosen={at === key} onChoose={() => setAt(key)} end={<Text small>15 hr ago</Text>}>
            <Text strong block>
              Piet Nakagami
            </Text>
            <Text tone="soft" small block>
              A call after five would be best
            </Text>
          </ListRow>
        ))}
    </Stack>
  );
};

export const Facts = () => (
  <Stack width={420} gap={0.5}>
    <Fact label="First name" shown="Oda" typed="Oda" onSave={() => Promise.resolve()} />
    <Fact label="Company" shown={null} typed="" onSave={() => Promise.reject(new Error('Too long.'))} />
    <Fact label="Notes" shown="Two lines" typed={'Two\nlines'} several onSave={() => Promise.resolve()} />
    <Fact label="ZIP" shown="98741" typed="98741" readOnly onSave={() => Promise.resolve()} />
    <FactLine label="Calls">Never called</FactLine>
  </Stack>
);

export const Parts = () => {
  const [tab, setTab] = useState<'one' | 'two'>('one');
  return (
    <Stack>
      <Tabs
        label="Parts"
        at={tab}
        onGo={setTab}
        tabs={[
          { key: 'one', name: 'Timeline' },
          { key: 'two', name: 'Details' },
        ]}
      />
      <TabPanel of={tab}>{tab === 'one' ? 'What happened' : 'What is known'}</TabPanel>
      <Table aria-label="Agents">
        <thead>
          <tr>
            <th>Agent</th>
            <th data-numeric="">Leads</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <td>Teo Marchetti</td>
            <td data-numeric="">41</td>
          </tr>
          <tr data-chosen="">
            <td>Liv Castellane</td>
            <td data-numeric="">38</td>
          </tr>
        </tbody>
      </Table>
    </Stack>
  );
};

export const CardsOnAPhone = () => (
  <Table cards aria-label="Campaigns">
    <thead>
      <tr>
        <th scope="col">Campaign</th>
        <th scope="col" data-numeric="">
          Enrolled
        </th>
        <th scope="col">Next touch</th>
      </tr>
    </thead>
    <tbody>
      <tr>
        <td data-strong="">New buyer</td>
        <td data-numeric="" data-label="Enrolled">
          25
        </td>
        <td data-label="Next touch">Tue, Nov 24</td>
      </tr>
    </tbody>
  </Table>
);

'use client';
/** Routing: the ladder to read and to change, its rehearsal, leads that wait, and the rosters. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask, freshKey, useFormat } from '../primitives';
import { draftOf, sentOf, useLadderDraft } from './draft';
import { Invitations } from './invitations';
import { LadderEdit } from './ladder-edit';
import { LadderList } from './ladder-view';
import { OfferedToMe } from './my-offers';
import { WaitingOffers } from './offers';
import { RehearsalBox } from './rehearsal';
import { NewRoster, RosterBox } from './roster';
import type { LadderJson, Waiting } from './shapes';
import { VersionsDialog } from './versions';
import { Button, Callout, Heading, Row, Split, Stack, Text, useToast } from '../kit';

export function RoutingArea({
  ladder: first,
  offers: waiting,
  mayManage,
}: {
  ladder: LadderJson;
  offers: Waiting;
  mayManage: boolean;
}) {
  const { data: ladder } = useQuery({ queryKey: ['ladder'], queryFn: () => ask('GET /ladder'), initialData: first });
  const { data: offers } = useQuery({ queryKey: ['offers'], queryFn: () => ask('GET /offers'), initialData: waiting });
  return (
    <Split side="minmax(0, 0.65fr)">
      <section aria-label="The ladder">{mayManage ? <Managed ladder={ladder} /> : <Read ladder={ladder} />}</section>
      <Stack gap={6}>
        <Invitations />
        <OfferedToMe />
        <WaitingOffers offers={offers.items} total={offers.total} />
        {ladder.rosters.map((roster) => (
          <RosterBox key={roster.id} roster={roster} rosters={ladder.rosters} mayManage={mayManage} />
        ))}
        {mayManage && <NewRoster rosters={ladder.rosters} />}
      </Stack>
    </Split>
  );
}

function Head({ ladder, children }: { ladder: LadderJson; children?: React.ReactNode }) {
  const format = useFormat();
  return (
    <Row spread align="end" gap={4}>
      <div>
        <Heading level={1}>Lead routing</Heading>
        <Text as="p" tone="soft">
          Top to bottom: the first rung that matches decides. {format.number(ladder.inquiries)} inquiries in the last 30 days.
        </Text>
      </div>
      {children}
    </Row>
  );
}

const Read = ({ ladder }: { ladder: LadderJson }) => (
  <>
    <Head ladder={ladder} />
    <LadderList ladder={ladder} />
  </>
);

/** For those who run the office: the same, and changing it. */
function Managed({ ladder }: { ladder: LadderJson }) {
  const [draft, setDraft] = useLadderDraft();
  const [before, setBefore] = useState(false);
  const queries = useQueryClient();
  const toast = useToast();
  const restore = (version: string) =>
    ask('POST /ladder/restore', { body: { version }, headers: freshKey() }).then(
      () => queries.invalidateQueries({ queryKey: ['ladder'] }),
      toast.fail,
    );
  const apply = useMutation({
    mutationFn: () => ask('PUT /ladder', { body: { version: draft!.version, ...sentOf(draft!) } }),
    onSuccess: () => {
      const old = draft!.version;
      setDraft(null);
      void queries.invalidateQueries({ queryKey: ['ladder'] });
      toast.tell('Saved. The new ladder applies to every lead.', () => void restore(old));
    },
    onError: toast.fail,
  });
  if (!draft)
    return (
      <>
        <Head ladder={ladder}>
          <Row as="span" wrap={false} above={1}>
            <Button onClick={() => setDraft(draftOf(ladder))}>Edit ladder</Button>
            <Button onClick={() => setBefore(true)}>Past versions</Button>
          </Row>
        </Head>
        <Stack above={3}>
          <LadderList ladder={ladder} />
        </Stack>
        {before && <VersionsDialog onRestore={(version) => void restore(version)} onClose={() => setBefore(false)} />}
      </>
    );
  return (
    <>
      <Head ladder={ladder}>
        <Row as="span" wrap={false} above={1}>
          <Button look="main" disabled={apply.isPending} onClick={() => apply.mutate()}>
            Apply
          </Button>
          <Button onClick={() => setDraft(null)}>Discard changes</Button>
        </Row>
      </Head>
      <Callout apart role="status">
        You’re editing the ladder. <Text tone="soft">Leads follow the old one until you apply it.</Text>
      </Callout>
      <LadderEdit ladder={ladder} draft={draft} error={apply.error} onChange={setDraft} />
      <RehearsalBox ladder={ladder} draft={draft} />
    </>
  );
}

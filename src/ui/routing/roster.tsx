'use client';
/** A roster: how it hands out and what follows, who is on it and who is next, share given and share due; changed in one place. */
import { useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { DAY } from '@/core/shared';
import { ask, useNow, useZone, useFormat } from '../primitives';
import { RosterDialog } from './roster-dialog';
import { long, thenOf, describeRoster, type RosterJson } from './shapes';
import { Button, Chip, Heading, Row, ShareBar, Text, useToast } from '../kit';

export function RosterBox({ roster, rosters, mayManage }: { roster: RosterJson; rosters: RosterJson[]; mayManage: boolean }) {
  const [open, setOpen] = useState(false);
  const most = Math.max(1, ...roster.members.map((member) => Math.max(member.handed, member.due)));
  const shares = roster.hand_out === 'round_robin' || roster.hand_out === 'weighted';
  return (
    <section aria-label={roster.name}>
      <Row ruled="head" spread>
        <Heading>{roster.name}</Heading>
        {mayManage ? (
          <Button size="tiny" aria-label={`Change ${roster.name}`} onClick={() => setOpen(true)}>
            Change
          </Button>
        ) : (
          <Text tone="soft" small>
            leads in 30 days · median to first attempt
          </Text>
        )}
      </Row>
      <Text as="p" small>
        {describeRoster(roster)}; {thenOf(roster)}
        {roster.longest.owned > 0 && <Text tone="soft">. With an agent in {long(roster.longest.owned)} at most</Text>}
        {roster.rungs === 0 && <Text tone="late">. No rung uses it</Text>}
      </Text>
      {roster.members.length === 0 && (
        <Text as="p" tone="late" small>
          No one is on it. Its leads go to {roster.safety_net.name}.
        </Text>
      )}
      {roster.members.map((member) => (
        <MemberRow key={member.id} member={member} most={most} shares={shares} mayManage={mayManage} />
      ))}
      {open && <RosterDialog roster={roster} rosters={rosters} onClose={() => setOpen(false)} />}
    </section>
  );
}

function MemberRow({
  member,
  most,
  shares,
  mayManage,
}: {
  member: RosterJson['members'][number];
  most: number;
  shares: boolean;
  mayManage: boolean;
}) {
  const zone = useZone();
  const format = useFormat();
  const now = useNow();
  const queries = useQueryClient();
  const toast = useToast();
  const away = useMutation({
    mutationFn: (until: Date | null) =>
      ask('PUT /users/{id}/away', { params: { id: member.id }, body: { until: until?.toISOString() ?? null } }),
    onSuccess: () => void queries.invalidateQueries({ queryKey: ['ladder'] }),
    onError: toast.fail,
  });
  return (
    <Row ruled spread wrap={false} gap={3}>
      <span>
        {member.name} {member.next && <Chip color="copper">next</Chip>}
        {member.state === 'invited' && (
          <Text tone="soft" small>
            invited, no answer yet
          </Text>
        )}
        {member.state === 'declined' && (
          <Text tone="late" small>
            declined
          </Text>
        )}
        {member.away && (
          <Text tone="soft" small>
            off until {member.away_until && format.shortDay(new Date(member.away_until), zone)}
          </Text>
        )}
        {!member.away && member.off && (
          <Text tone="soft" small>
            {member.off.replace(`${member.name} `, '')}
          </Text>
        )}
      </span>
      <Row as="span" wrap={false}>
        {mayManage && member.state === 'in' && (
          <Button size="tiny" onClick={() => away.mutate(member.away ? null : new Date(now.getTime() + DAY))}>
            {member.away ? 'Back' : 'Day off'}
          </Button>
        )}
        <b>{member.handed}</b>
        {shares && (
          <Text tone="soft" small nowrap title="Fair share">
            of {member.due}
          </Text>
        )}
        <ShareBar aria-hidden="true" share={member.handed / most} />
        <Text tone="soft" small nowrap title="Median time to first attempt">
          {member.median_seconds === null ? '–' : long(member.median_seconds)}
        </Text>
      </Row>
    </Row>
  );
}

export function NewRoster({ rosters }: { rosters: RosterJson[] }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button onClick={() => setOpen(true)}>New roster</Button>
      {open && <RosterDialog roster={null} rosters={rosters} onClose={() => setOpen(false)} />}
    </>
  );
}

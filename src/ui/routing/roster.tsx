'use client';
/** A roster: how it hands out and what follows, who is on it and who is next, share given and share due; changed in one place. */
import { useState } from 'react';
import Dialog from '@mui/material/Dialog';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { DAY } from '@/core/shared';
import { ask, useNow, useZone, useFormat } from '../primitives';
import { RosterForm } from './roster-form';
import { long, thenOf, describeRoster, type RosterJson } from './shapes';
import { Button, useToast } from '../kit';

export function RosterBox({ roster, rosters, mayManage }: { roster: RosterJson; rosters: RosterJson[]; mayManage: boolean }) {
  const [open, setOpen] = useState(false);
  const most = Math.max(1, ...roster.members.map((member) => Math.max(member.handed, member.due)));
  const shares = roster.hand_out === 'round_robin' || roster.hand_out === 'weighted';
  return (
    <section aria-label={roster.name}>
      <div className="group" style={{ marginTop: 0 }}>
        <h2>{roster.name}</h2>
        {mayManage ? (
          <Button size="tiny" aria-label={`Change ${roster.name}`} onClick={() => setOpen(true)}>
            Change
          </Button>
        ) : (
          <span className="soft small">leads in 30 days · median to first attempt</span>
        )}
      </div>
      <p className="small" style={{ padding: '4px 0' }}>
        {describeRoster(roster)}; {thenOf(roster)}
        {roster.longest.owned > 0 && <span className="soft">. With an agent in {long(roster.longest.owned)} at most</span>}
        {roster.rungs === 0 && <span className="late">. No rung uses it</span>}
      </p>
      {roster.members.length === 0 && <p className="late small">No one is on it. Its leads go to {roster.safety_net.name}.</p>}
      {roster.members.map((member) => (
        <MemberRow key={member.id} member={member} most={most} shares={shares} mayManage={mayManage} />
      ))}
      {open && (
        <Dialog open onClose={() => setOpen(false)} fullWidth maxWidth="md" aria-labelledby="roster-title">
          <RosterForm roster={roster} rosters={rosters} onClose={() => setOpen(false)} />
        </Dialog>
      )}
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
    <div className="pair" style={{ padding: '5px 0' }}>
      <span>
        {member.name}{' '}
        {member.next && (
          <span className="tag" style={{ borderColor: 'var(--teal)', color: 'var(--teal)' }}>
            next
          </span>
        )}
        {member.state === 'invited' && <span className="soft small">invited, no answer yet</span>}
        {member.state === 'declined' && <span className="late small">declined</span>}
        {member.away && (
          <span className="soft small">off until {member.away_until && format.shortDay(new Date(member.away_until), zone)}</span>
        )}
        {!member.away && member.off && <span className="soft small">{member.off.replace(`${member.name} `, '')}</span>}
      </span>
      <span className="nowrap">
        {mayManage && member.state === 'in' && (
          <Button
            size="small"
            className="small"
            style={{ padding: '0 8px', marginRight: 12 }}
            onClick={() => away.mutate(member.away ? null : new Date(now.getTime() + DAY))}
          >
            {member.away ? 'Back' : 'Day off'}
          </Button>
        )}
        <b>{member.handed}</b>
        {shares && (
          <span className="soft small" title="Fair share">
            {' '}
            of {member.due}
          </span>
        )}{' '}
        <span className="bar" aria-hidden="true">
          <i style={{ width: `${(100 * member.handed) / most}%` }} />
        </span>{' '}
        <span
          className="soft small"
          style={{ display: 'inline-block', width: 74, textAlign: 'right' }}
          title="Median time to first attempt"
        >
          {member.median_seconds === null ? '–' : long(member.median_seconds)}
        </span>
      </span>
    </div>
  );
}

export function NewRoster({ rosters }: { rosters: RosterJson[] }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button style={{ justifySelf: 'start' }} onClick={() => setOpen(true)}>
        New roster
      </Button>
      {open && (
        <Dialog open onClose={() => setOpen(false)} fullWidth maxWidth="md" aria-labelledby="roster-title">
          <RosterForm roster={null} rosters={rosters} onClose={() => setOpen(false)} />
        </Dialog>
      )}
    </>
  );
}

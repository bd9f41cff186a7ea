'use client';
/** The ladder to read: fixed rungs first, then each rung as a sentence with its share of the last 30 days; rungs that nothing reaches are marked. */
import { CHANNELS } from '@/core/contacts';
import { HAND_OUT_NAMES } from '@/core/routing';
import { thenOf, describeRoster, type LadderJson, type RungJson } from './shapes';
import { useFormat } from '../primitives';
import { Figure, Rails, Rung, ShareBar, Text } from '../kit';

export function LadderList({ ladder }: { ladder: LadderJson }) {
  const fixed = [
    {
      key: 'returning',
      count: ladder.returning,
      note: 'Always first',
      words: (
        <>
          <b>Returning people</b> stay with their agent
        </>
      ),
    },
    {
      key: 'hand',
      count: ladder.by_hand,
      note: 'Always',
      words: (
        <>
          <b>Added by hand</b> by an agent: that agent keeps it
        </>
      ),
    },
    {
      key: 'source',
      count: ladder.by_source,
      note: 'Always',
      words: (
        <>
          <b>Assigned by the source</b>: the agent it names keeps it
        </>
      ),
    },
    {
      key: 'listing',
      count: ladder.by_listing,
      note: ladder.own_listing ? 'On' : 'Off. Turn it on with “Edit ladder”',
      words: (
        <Text tone={ladder.own_listing ? undefined : 'soft'}>
          <b>Asks about our own listing</b>: {ladder.own_listing ? 'goes' : 'would go'} to the agent who lists it
        </Text>
      ),
    },
  ];
  return (
    <Rails>
      {fixed.map(({ key, count, note, words }) => (
        <RungRow key={key} fixed count={count} all={ladder.inquiries} note={note}>
          {words}
        </RungRow>
      ))}
      {ladder.rungs.map((rung) => (
        <OneRung key={rung.id} rung={rung} ladder={ladder} />
      ))}
      <RungRow count={ladder.safety_net} all={ladder.inquiries} note="The safety net: every lead ends with a person" position="·">
        <b>Everyone else</b> goes to <b>{ladder.last_resort}</b>
      </RungRow>
    </Rails>
  );
}

function OneRung({ rung, ladder }: { rung: RungJson; ladder: LadderJson }) {
  const roster = ladder.rosters.find(({ id }) => id === rung.roster.id);
  const notes = [
    rung.campaign && `starts “${rung.campaign.name}”`,
    rung.tags.length > 0 && `tags ${rung.tags.map(({ name }) => name).join(', ')}`,
    (rung.lender ?? rung.lender_roster) && `lender: ${(rung.lender ?? rung.lender_roster)!.name}`,
    rung.notify.length > 0 && `told by ${rung.notify.map((channel) => CHANNELS[channel].name).join(' and ')}`,
    roster && thenOf(roster),
  ].filter(Boolean);
  return (
    <RungRow position={rung.position} count={rung.inquiries} all={ladder.inquiries} note={notes.join(' · ')}>
      <b>{rung.who}</b> {rung.who.startsWith('Everyone') ? 'goes' : 'go'} to <b>{rung.roster.name}</b>,{' '}
      <Text tone="main">{roster ? describeRoster(roster) : HAND_OUT_NAMES.round_robin}</Text>
      {rung.shadowed_by !== null && (
        <Text block tone="late" small>
          No leads reach this rung: they match rung {rung.shadowed_by} first.
        </Text>
      )}
      {rung.shadowed_by === null && rung.inquiries === 0 && (
        <Text block tone="late" small>
          No leads in 30 days.
        </Text>
      )}
      {rung.broken && (
        <Text block tone="late" small>
          It refers to something that was deleted, so that part never matches.
        </Text>
      )}
    </RungRow>
  );
}

export function RungRow({
  position,
  count,
  all,
  note,
  fixed,
  children,
}: {
  position?: number | string;
  count: number;
  all: number;
  note: string;
  fixed?: boolean;
  children: React.ReactNode;
}) {
  const format = useFormat();
  return (
    <Rung fixed={fixed}>
      <span>{position}</span>
      <span>
        {children}
        <Text block tone="soft" small>
          {note}
        </Text>
      </span>
      <Text nowrap>
        <Figure tone={count === 0 && !fixed ? 'late' : undefined}>{format.number(count)}</Figure>{' '}
        <ShareBar aria-hidden="true" share={all ? count / all : 0} />
      </Text>
    </Rung>
  );
}

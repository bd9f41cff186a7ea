'use client';
/**
 * Today: the queue in named groups by reason at the left, the Dossier of the current person at the right. The day can be worked
 * from the keyboard. Somebody whose reason is gone leaves the queue, but stays open at the right until one moves on.
 */
import { useDeferredValue, useEffect, useRef, useState } from 'react';
import NextLink from 'next/link';
import { useRouter, useSearchParams } from 'next/navigation';
import { useQuery } from '@tanstack/react-query';
import type { CallView } from '@/core/calling';
import type { TodayEntry, TodayView } from '@/core/today';
import type { Jsoned } from '@/core/shared';
import { Dossier } from '../contacts';
import { ask, Strokes, useFormat, useIsNarrow, useNow, useRemembered, useShortcuts, useZone, when } from '../primitives';
import { Ago, Area, EmptyState, GroupHead, ListRow, PageHead, ScrollList, Text, Timer } from '../kit';

export type Today = Jsoned<TodayView> & { call: Jsoned<CallView> | null };
type Entry = Jsoned<TodayEntry>;

/** @param settingUp the brokerage has first steps to go, and this person can do them */
export function TodayArea({ first, mine, settingUp = false }: { first: Today; mine: boolean; settingUp?: boolean }) {
  const router = useRouter();
  const format = useFormat();
  const params = useSearchParams();
  const { data: today } = useQuery({
    queryKey: ['today'],
    queryFn: () => ask('GET /today'),
    initialData: first,
    refetchInterval: 60_000,
  });
  const entries = today.groups.flatMap((group) => group.entries);
  const asked = params.get('contact');
  const narrow = useIsNarrow();
  const [begun] = useState(() => first.groups[0]?.entries[0]?.contactId ?? null);
  const chosen = asked ?? today.call?.contact_id ?? (narrow ? null : (begun ?? entries[0]?.contactId)) ?? null;
  const place = useRef(0);
  const at = entries.findIndex((entry) => entry.contactId === chosen);
  useEffect(() => {
    if (at >= 0) place.current = at;
  }, [at]);
  const choose = (id: string | null) => window.history.replaceState(null, '', id ? `/today?contact=${id}` : '/today');
  const step = (by: number) => {
    const from = at >= 0 ? at : by > 0 ? place.current - 1 : place.current;
    const to = entries[Math.max(0, Math.min(entries.length - 1, from + by))];
    if (to) choose(to.contactId);
  };
  useShortcuts('list', {
    next: () => step(1),
    previous: () => step(-1),
    open: () => chosen && router.push(`/contacts/${chosen}`),
  });
  const current = entries.find((entry) => entry.contactId === chosen);
  return (
    <Area
      label="People to contact"
      shape="lead"
      empty={<EmptyState>Choose someone from the list.</EmptyState>}
      side={
        chosen && (
          <Dossier
            contactId={chosen}
            reasons={current?.reasons}
            call={today.call}
            onNext={() => step(1)}
            onClose={narrow ? () => choose(null) : undefined}
          />
        )
      }
    >
      <PageHead
        title={`${format.number(today.total)} ${today.total === 1 ? 'person' : 'people'} today`}
        note={`${today.done} of ${today.goal} today`}
      >
        <Goal done={today.done} goal={today.goal} />
      </PageHead>
      <Queue groups={today.groups} chosen={chosen} mine={mine} settingUp={settingUp} onChoose={choose} />
    </Area>
  );
}

function Queue({
  groups,
  chosen,
  mine,
  settingUp,
  onChoose,
}: {
  groups: Today['groups'];
  chosen: string | null;
  mine: boolean;
  settingUp: boolean;
  onChoose: (id: string) => void;
}) {
  const [folded, setFolded] = useRemembered('today_folded', NONE_FOLDED);
  /* The page comes with what is in sight; the rest of a long day is drawn once that stands. */
  const drawn = drawnOf(groups, folded, useDeferredValue(Infinity, IN_SIGHT));
  return (
    <ScrollList>
      {groups.length === 0 && (
        <EmptyState>
          You’re all caught up. New leads, replies, and promises show up here.
          {settingUp && (
            <>
              {' '}
              <NextLink href="/setup/start">Finish setting up</NextLink> to get your first ones.
            </>
          )}
        </EmptyState>
      )}
      {drawn.map((group) => (
        <section key={group.key} aria-label={group.name}>
          <GroupHead
            name={group.name}
            count={group.count}
            folded={folded.includes(group.key)}
            onFold={(fold) => setFolded(fold ? [...folded, group.key] : folded.filter((key) => key !== group.key))}
          />
          {group.entries.map((entry) => (
            <Person
              key={entry.contactId}
              entry={entry}
              chosen={entry.contactId === chosen}
              mine={mine}
              onChoose={() => onChoose(entry.contactId)}
            />
          ))}
        </section>
      ))}
    </ScrollList>
  );
}
const NONE_FOLDED: string[] = [];
/** More than fit on a tall screen. */
const IN_SIGHT = 24;

/** The groups with at most so many people, those of folded groups left out; `count` tells how many a group has. */
function drawnOf(groups: Today['groups'], folded: string[], most: number) {
  let left = most;
  return groups.map((group) => {
    const entries = folded.includes(group.key) ? [] : group.entries.slice(0, left);
    left -= entries.length;
    return { ...group, entries, count: group.entries.length };
  });
}

function Person({ entry, chosen, mine, onChoose }: { entry: Entry; chosen: boolean; mine: boolean; onChoose: () => void }) {
  const reason = entry.reasons[0]!;
  return (
    <ListRow
      chosen={chosen}
      onChoose={onChoose}
      data-contact={entry.contactId}
      end={
        <>
          <Since group={reason.group} since={reason.since} />
          <Strokes horizon={entry.horizon} />
        </>
      }
    >
      <Text block cut dir="auto">
        <Text strong>{entry.name}</Text>
        {!mine && entry.ownerName && (
          <Text tone="soft" small>
            {' '}
            {entry.ownerName}
          </Text>
        )}
      </Text>
      <Text block tone="soft" small cut dir="auto">
        {reason.text}
      </Text>
    </ListRow>
  );
}

const HOUR_MS = 3_600_000;

/** A running timer on new leads, how long ago somebody asked, the hour of a promise. */
function Since({ group, since }: { group: Entry['reasons'][number]['group']; since: string }) {
  const format = useFormat();
  const now = useNow();
  const zone = useZone();
  const gone = now.getTime() - new Date(since).getTime();
  if (group === 'new') return gone < HOUR_MS ? <Timer since={since} /> : <Ago at={since} late />;
  if (group === 'asked') return <Ago at={since} late={gone > HOUR_MS / 6} />;
  if (group === 'overdue' || group === 'their_day') return null;
  return (
    <Text small nowrap tone={gone > 0 ? 'late' : 'soft'} suppressHydrationWarning>
      {when(new Date(since), now, zone, format)}
    </Text>
  );
}

function Goal({ done, goal }: { done: number; goal: number }) {
  const round = 2 * Math.PI * 22;
  const part = Math.min(1, goal ? done / goal : 0) * round;
  return (
    <svg width="54" height="54" role="img" aria-label={`${done} of ${goal} done`}>
      <circle cx="27" cy="27" r="22" fill="none" stroke="var(--line)" strokeWidth="4" />
      {part > 0 && (
        <circle
          cx="27"
          cy="27"
          r="22"
          fill="none"
          stroke="var(--teal)"
          strokeWidth="4"
          strokeDasharray={`${part} ${round}`}
          transform="rotate(-90 27 27)"
          strokeLinecap="round"
        />
      )}
      <text
        x="27"
        y="32"
        textAnchor="middle"
        fill="var(--ink)"
        fontFamily="Bricolage Grotesque Variable"
        fontWeight="650"
        fontSize="15"
      >
        {done}
      </text>
    </svg>
  );
}

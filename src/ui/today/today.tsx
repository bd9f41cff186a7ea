'use client';
/**
 * Today: the queue in named groups by reason at the left, the Dossier of the current person at the right. The day can be worked
 * from the keyboard. Somebody whose reason is gone leaves the queue, but stays open at the right until one moves on.
 */
import { useEffect, useRef, useState } from 'react';
import { useRouter, useSearchParams } from 'next/navigation';
import { useQuery } from '@tanstack/react-query';
import type { CallView } from '@/core/calling';
import type { TodayEntry, TodayView } from '@/core/today';
import type { Jsoned } from '@/core/shared';
import { Dossier } from '../contacts';
import { Ago, ask, Strokes, Timer, useIsNarrow, useKeys, useNow, useZone, when, useFormat } from '../primitives';
import { BareButton } from '../kit';

export type Today = Jsoned<TodayView> & { call: Jsoned<CallView> | null };
type Entry = Jsoned<TodayEntry>;

export function TodayArea({ first, mine }: { first: Today; mine: boolean }) {
  const router = useRouter();
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
  useKeys({
    j: () => step(1),
    k: () => step(-1),
    ArrowDown: () => step(1),
    ArrowUp: () => step(-1),
    Enter: () => chosen && router.push(`/contacts/${chosen}`),
  });
  const current = entries.find((entry) => entry.contactId === chosen);
  return (
    <div className="area today">
      <section aria-label="People to contact">
        <div className="headline" style={{ paddingBottom: 4 }}>
          <div>
            <h1>
              {today.total.toLocaleString('en-US')} {today.total === 1 ? 'person' : 'people'} today
            </h1>
            <span className="soft">
              {today.done} of {today.goal} today
            </span>
          </div>
          <Goal done={today.done} goal={today.goal} />
        </div>
        <div className="queue">
          {entries.length === 0 && (
            <p className="empty">You’re all caught up. New leads, replies, and promises show up here. Press n to add a lead.</p>
          )}
          {today.groups.map((group) => (
            <div key={group.key}>
              <div className="group">
                <h2>{group.name}</h2>
                <span className="soft small strong">{group.entries.length}</span>
              </div>
              {group.entries.map((entry) => (
                <Person
                  key={entry.contactId}
                  entry={entry}
                  chosen={entry.contactId === chosen}
                  mine={mine}
                  onChoose={() => choose(entry.contactId)}
                />
              ))}
            </div>
          ))}
        </div>
      </section>
      {chosen ? (
        <Dossier
          contactId={chosen}
          reasons={current?.reasons}
          call={today.call}
          onNext={() => step(1)}
          onClose={narrow ? () => choose(null) : undefined}
        />
      ) : (
        !narrow && <div className="panel empty">Choose someone from the list.</div>
      )}
    </div>
  );
}

function Person({ entry, chosen, mine, onChoose }: { entry: Entry; chosen: boolean; mine: boolean; onChoose: () => void }) {
  const row = useRef<HTMLButtonElement>(null);
  const reason = entry.reasons[0]!;
  useEffect(() => {
    if (chosen) row.current?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  return (
    <BareButton
      ref={row}
      className={`row${chosen ? ' sel' : ''}`}
      onClick={onChoose}
      aria-current={chosen}
      data-contact={entry.contactId}
    >
      <span className="l">
        <span className="strong cut" style={{ display: 'block' }} dir="auto">
          {entry.name}
          {!mine && entry.ownerName && (
            <span className="soft small" style={{ fontWeight: 400 }}>
              {' '}
              {entry.ownerName}
            </span>
          )}
        </span>
        <span className="soft small cut" style={{ display: 'block' }} dir="auto">
          {reason.text}
        </span>
      </span>
      <span className="r">
        <Since group={reason.group} since={reason.since} />
        <Strokes horizon={entry.horizon} />
      </span>
    </BareButton>
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
    <span className={`small nowrap ${gone > 0 ? 'late' : 'soft'}`} suppressHydrationWarning>
      {when(new Date(since), now, zone, format)}
    </span>
  );
}

function Goal({ done, goal }: { done: number; goal: number }) {
  const round = 2 * Math.PI * 22;
  const part = Math.min(1, goal ? done / goal : 0) * round;
  return (
    <svg width="54" height="54" role="img" aria-label={`${done} of ${goal} done`} style={{ flex: 'none' }}>
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

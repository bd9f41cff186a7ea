'use client';
/** One broadcast: while it is a draft, to whom, its words and its time, with whom it reaches counted; afterwards, how far it is and what became of it. */
import { useState } from 'react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { CHANNEL_NAMES } from '@/core/contacts';
import {
  BROADCAST_STATE_WORDS,
  leftOutWords,
  type BroadcastSelection,
  type Goes,
  type LeftOut,
  type Reach,
  type Words,
} from '@/core/messages';
import { DAY } from '@/core/shared';
import { ask, Fault, freshKey, useNotices, useNow, usePast } from '../primitives';
import { useSegments } from '../segments';
import { Preview, useTemplates, WordsEditor } from '../templates';
import { Outcome } from './outcome';
import { useBroadcast, type Broadcast } from './shapes';
import './broadcasts.css';
import '../templates/templates.css';

export function BroadcastDesk({ first }: { first: Broadcast }) {
  const { data: broadcast } = useBroadcast(first);
  const queries = useQueryClient();
  const notices = useNotices();
  const router = useRouter();
  const after = (next: Broadcast) => {
    queries.setQueryData(['broadcasts', broadcast.id], next);
    void queries.invalidateQueries({ queryKey: ['broadcasts'], exact: true });
  };
  const act = useMutation({
    mutationFn: (what: 'pause' | 'resume' | 'cancel') =>
      ask<Broadcast>(`/broadcasts/${broadcast.id}/${what}`, 'POST', undefined, freshKey()),
    onSuccess: (next, what) => {
      after(next);
      notices.tell(
        what === 'pause'
          ? `Paused. ${next.counts.waiting.toLocaleString('en-US')} wait.`
          : what === 'resume'
            ? 'It goes on.'
            : `Cancelled. ${next.counts.cancelled.toLocaleString('en-US')} were taken back; ${next.counts.sent.toLocaleString('en-US')} had gone.`,
        what === 'pause' ? () => act.mutate('resume') : undefined,
      );
    },
    onError: notices.fail,
  });
  const copy = useMutation({
    mutationFn: () => ask<Broadcast>(`/broadcasts/${broadcast.id}/copy`, 'POST', undefined, freshKey()),
    onSuccess: ({ id }) => router.push(`/campaigns/broadcasts/${id}`),
    onError: notices.fail,
  });
  const { state } = broadcast;
  const button = (what: 'pause' | 'resume' | 'cancel', words: string, look = 'act') => (
    <button type="button" className={look} disabled={act.isPending} onClick={() => act.mutate(what)}>
      {words}
    </button>
  );
  return (
    <>
      <div className="headline">
        <div>
          <h1>{broadcast.name}</h1>
          <p className="soft">
            {CHANNEL_NAMES[broadcast.channel]} · <b>{BROADCAST_STATE_WORDS[state]}</b>
            {broadcast.fault && <span className="late"> · {broadcast.fault}</span>}
          </p>
        </div>
        <div className="beside">
          {state === 'going' && button('pause', 'Pause', 'act main')}
          {state === 'paused' && button('resume', 'Let it go on', 'act main')}
          {['filling', 'going', 'paused'].includes(state) && button('cancel', 'Cancel what has not gone', 'act warn')}
          {state !== 'draft' && (
            <button type="button" className="act" disabled={copy.isPending} onClick={() => copy.mutate()}>
              Copy
            </button>
          )}
          <Link className="act" href="/campaigns/broadcasts" prefetch={false}>
            All broadcasts
          </Link>
        </div>
      </div>
      {state === 'draft' ? <Draft broadcast={broadcast} onKept={after} /> : <Outcome broadcast={broadcast} />}
    </>
  );
}

interface Drafted {
  words: Words;
  selection: BroadcastSelection;
  goes: Goes;
  per_minute: number;
}

function Draft({ broadcast, onKept }: { broadcast: Broadcast; onKept: (next: Broadcast) => void }) {
  const { words, selection, goes, per_minute, channel } = broadcast;
  const { draft, change, onKeyDown } = usePast<Drafted>({ words, selection, goes, per_minute });
  const [template, setTemplate] = useState(broadcast.template_id);
  const { data: templates = [] } = useTemplates();
  const notices = useNotices();
  const router = useRouter();
  const chosen = Boolean(draft.selection.ids?.length || draft.selection.segments?.length || draft.selection.question);
  const reach = useQuery({
    queryKey: ['reach', channel, JSON.stringify(draft.selection), draft.per_minute],
    queryFn: () => ask<Reach>('/broadcasts/reach', 'POST', { channel, selection: draft.selection, per_minute: draft.per_minute }),
    enabled: chosen,
    placeholderData: (before) => before,
  });
  const changed =
    JSON.stringify(draft) !== JSON.stringify({ words, selection, goes, per_minute }) || template !== broadcast.template_id;
  const keep = () => ask<Broadcast>(`/broadcasts/${broadcast.id}`, 'PATCH', { ...draft, template_id: template });
  const save = useMutation({ mutationFn: keep, onSuccess: onKept });
  const start = useMutation({
    mutationFn: async () => {
      if (changed) await keep();
      return ask<Broadcast>(`/broadcasts/${broadcast.id}/start`, 'POST', undefined, freshKey());
    },
    onSuccess: (next) => {
      onKept(next);
      notices.tell('It is being addressed. What has not gone can be paused and cancelled here.');
    },
  });
  const remove = useMutation({
    mutationFn: () => ask(`/broadcasts/${broadcast.id}`, 'DELETE'),
    onSuccess: () => router.push('/campaigns/broadcasts'),
    onError: notices.fail,
  });
  const own = templates.filter((one) => one.channel === channel);
  return (
    <div className="template-editor" onKeyDown={onKeyDown}>
      <div className="column" style={{ gap: 20 }}>
        <section aria-label="To whom" className="panel part">
          <h2>To whom</h2>
          <ToWhom selection={draft.selection} onChange={(next) => change({ ...draft, selection: next })} />
          {chosen && reach.data && <ReachWords reach={reach.data} goes={draft.goes} />}
          <Fault error={reach.error} named />
        </section>
        <section aria-label="The words" className="panel part">
          <div className="beside" style={{ justifyContent: 'space-between' }}>
            <h2>The words</h2>
            {own.length > 0 && (
              <select
                className="chip tiny"
                aria-label="Begin from a template"
                value={template ?? ''}
                onChange={(event) => {
                  const one = own.find(({ id }) => id === event.target.value);
                  setTemplate(one?.id ?? null);
                  if (one) change({ ...draft, words: one.words });
                }}
              >
                <option value="">words of its own</option>
                {own.map(({ id, name }) => (
                  <option key={id} value={id}>
                    from “{name}”
                  </option>
                ))}
              </select>
            )}
          </div>
          <WordsEditor
            channel={channel}
            words={draft.words}
            templateId={template}
            onChange={(next) => change({ ...draft, words: next })}
          />
        </section>
        <section aria-label="When" className="panel part">
          <h2>When</h2>
          <WhenItGoes
            channel={channel}
            goes={draft.goes}
            perMinute={draft.per_minute}
            onChange={(next) => change({ ...draft, ...next })}
          />
        </section>
        <Fault error={save.error ?? start.error} named />
        <div className="beside">
          <button
            type="button"
            className="act main"
            disabled={start.isPending || !chosen || !reach.data?.receive}
            onClick={() => start.mutate()}
          >
            {draft.goes.on === 'now' ? 'Send it now' : 'Let it go at its time'}
            {reach.data && chosen ? ` to ${reach.data.receive.toLocaleString('en-US')}` : ''}
          </button>
          <button type="button" className="act" disabled={!changed || save.isPending} onClick={() => save.mutate()}>
            Keep the draft
          </button>
          <button type="button" className="act" disabled={remove.isPending} onClick={() => remove.mutate()}>
            Throw it away
          </button>
        </div>
      </div>
      <div className="step-side">
        <Preview channel={channel} words={draft.words} />
      </div>
    </div>
  );
}

/** Segments together, or the people that were chosen in Contacts. */
function ToWhom({ selection, onChange }: { selection: BroadcastSelection; onChange: (selection: BroadcastSelection) => void }) {
  const { data: segments = [] } = useSegments();
  const on = new Set(selection.segments ?? []);
  const people = (selection.ids?.length ?? 0) > 0 || selection.question;
  return (
    <div className="beside" role="group" aria-label="Segments, together">
      {people && (
        <span className="tag">
          {selection.ids?.length
            ? `${selection.ids.length.toLocaleString('en-US')} chosen in Contacts`
            : `everybody of a list in Contacts${selection.except?.length ? ` but ${selection.except.length}` : ''}`}{' '}
          <button
            type="button"
            className="plain-button"
            aria-label="Leave the chosen people out"
            onClick={() => onChange({ segments: selection.segments })}
          >
            ×
          </button>
        </span>
      )}
      {segments.map((segment) => (
        <button
          key={segment.id}
          type="button"
          className={`chip tiny${on.has(segment.id) ? ' on' : ''}`}
          aria-pressed={on.has(segment.id)}
          onClick={() => {
            const next = on.has(segment.id) ? [...on].filter((id) => id !== segment.id) : [...on, segment.id];
            onChange({ ...selection, segments: next });
          }}
        >
          {segment.name}
        </button>
      ))}
      {segments.length === 0 && !people && (
        <span className="soft small">
          There is no segment yet. <Link href="/contacts">Keep a list in Contacts as one</Link>, or choose people there and then
          “Broadcast …”.
        </span>
      )}
    </div>
  );
}

function ReachWords({ reach, goes }: { reach: Reach; goes: Goes }) {
  const left = Object.entries(reach.left_out) as [LeftOut, number][];
  return (
    <div className="reach" aria-live="polite">
      <p>
        <b>
          {reach.receive.toLocaleString('en-US')} of {reach.people.toLocaleString('en-US')}
        </b>{' '}
        get it, each once
        {reach.letter_cents > 0 &&
          goes.printed !== 'here' &&
          `, for $${(reach.letter_cents / 100).toLocaleString('en-US', { minimumFractionDigits: 2 })}`}
        {reach.minutes > 1 &&
          `; the last goes ${reach.minutes < 120 ? `${reach.minutes} minutes` : `${Math.round(reach.minutes / 60)} hours`} after the first`}
        .
      </p>
      {left.length > 0 && (
        <p className="soft small">
          Left out:{' '}
          {left
            .sort((a, b) => b[1] - a[1])
            .map(([why, n]) => leftOutWords(why, n))
            .join(', ')}
          .
        </p>
      )}
    </div>
  );
}

function WhenItGoes({
  channel,
  goes,
  perMinute,
  onChange,
}: {
  channel: Broadcast['channel'];
  goes: Goes;
  perMinute: number;
  onChange: (next: { goes?: Goes; per_minute?: number }) => void;
}) {
  const tomorrow = new Date(useNow().getTime() + DAY).toISOString().slice(0, 10);
  const at = goes.on === 'now' ? { day: tomorrow, at: '10:00' } : { day: goes.day, at: goes.at };
  const printed = goes.printed ? { printed: goes.printed } : {};
  return (
    <>
      <div className="beside" role="radiogroup" aria-label="When it goes">
        <label className="choice">
          <input
            type="radio"
            name="goes"
            checked={goes.on === 'now'}
            onChange={() => onChange({ goes: { on: 'now', ...printed } })}
          />{' '}
          now
        </label>
        <label className="choice">
          <input
            type="radio"
            name="goes"
            checked={goes.on === 'office'}
            onChange={() => onChange({ goes: { on: 'office', ...at, ...printed } })}
          />{' '}
          at a time here
        </label>
        <label className="choice">
          <input
            type="radio"
            name="goes"
            checked={goes.on === 'local'}
            onChange={() => onChange({ goes: { on: 'local', ...at, ...printed } })}
          />{' '}
          at a time where each of them is
        </label>
        {goes.on !== 'now' && (
          <>
            <input
              type="date"
              aria-label="Day"
              value={goes.day}
              onChange={(event) => event.target.value && onChange({ goes: { ...goes, day: event.target.value } })}
            />
            <input
              type="time"
              aria-label="Clock time"
              value={goes.at}
              onChange={(event) => event.target.value && onChange({ goes: { ...goes, at: event.target.value } })}
            />
          </>
        )}
      </div>
      <div className="beside small">
        <label>
          at most{' '}
          <input
            type="number"
            min={1}
            max={100_000}
            style={{ width: 90 }}
            aria-label="Most messages in a minute"
            value={perMinute}
            onChange={(event) => onChange({ per_minute: Math.min(100_000, Math.max(1, Number(event.target.value) || 1)) })}
          />{' '}
          in a minute
        </label>
        {channel === 'letter' && (
          <label>
            printed{' '}
            <select
              aria-label="Who prints the letters"
              value={goes.printed ?? 'house'}
              onChange={(event) => onChange({ goes: { ...goes, printed: event.target.value as 'house' | 'here' } })}
            >
              <option value="house">and posted by the print house</option>
              <option value="here">here, as one file</option>
            </select>
          </label>
        )}
        <span className="soft">Quiet hours, holidays and caps hold for it as for everything that goes by itself.</span>
      </div>
    </>
  );
}

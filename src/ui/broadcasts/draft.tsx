'use client';
/** A broadcast while it is a draft: to whom, its words and its time, with whom it reaches counted. It goes at the second word, not at the first. */
import { type SendChannel, refusedSentence } from '@/core/contacts';
import { useState } from 'react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMutation, useQuery } from '@tanstack/react-query';
import type { BroadcastSelection, Goes, Reach, Words } from '@/core/messages';
import { ask, freshKey, useUndoHistory } from '../primitives';
import { useSegments } from '../segments';
import { Preview, useTemplates, WordsEditor } from '../templates';
import type { Broadcast } from './shapes';
import { WhenItGoes } from './when';
import './broadcasts.css';
import '../templates/templates.css';
import { BareButton, Button, ErrorMessage, Select, useToast } from '../kit';

interface Drafted {
  words: Words;
  selection: BroadcastSelection;
  goes: Goes;
  per_minute: number;
}

export function Draft({ broadcast, onSaved: onKept }: { broadcast: Broadcast; onSaved: (next: Broadcast) => void }) {
  const { words, selection, goes, per_minute, channel } = broadcast;
  const { draft, change, onKeyDown } = useUndoHistory<Drafted>({ words, selection, goes, per_minute });
  const [template, setTemplate] = useState(broadcast.template_id);
  const [sure, setSure] = useState(false);
  const { data: templates = [] } = useTemplates();
  const toast = useToast();
  const router = useRouter();
  const chosen = Boolean(draft.selection.ids?.length || draft.selection.segments?.length || draft.selection.question);
  const reach = useQuery({
    queryKey: ['reach', channel, JSON.stringify([draft.selection, draft.goes]), draft.per_minute],
    queryFn: () =>
      ask('POST /broadcasts/reach', {
        body: {
          channel,
          selection: draft.selection,
          per_minute: draft.per_minute,
          goes: draft.goes,
        },
      }),
    enabled: chosen,
    placeholderData: (before) => before,
  });
  const changed =
    JSON.stringify(draft) !== JSON.stringify({ words, selection, goes, per_minute }) || template !== broadcast.template_id;
  const keep = () => ask('PATCH /broadcasts/{id}', { params: { id: broadcast.id }, body: { ...draft, template_id: template } });
  const save = useMutation({ mutationFn: keep, onSuccess: onKept });
  const start = useMutation({
    mutationFn: async () => {
      if (changed) await keep();
      return ask('POST /broadcasts/{id}/start', { params: { id: broadcast.id }, headers: freshKey() });
    },
    onSuccess: (next) => {
      onKept(next);
      toast.tell('It is being addressed. What has not gone can be paused and cancelled here.');
    },
  });
  const remove = useMutation({
    mutationFn: () => ask('DELETE /broadcasts/{id}', { params: { id: broadcast.id } }),
    onSuccess: () => router.push('/campaigns/broadcasts'),
    onError: toast.fail,
  });
  const own = templates.filter((one) => one.channel === channel);
  return (
    <div className="template-editor" onKeyDown={onKeyDown}>
      <div className="column" style={{ gap: 20 }}>
        <section aria-label="To whom" className="panel part">
          <h2>To whom</h2>
          <ToWhom selection={draft.selection} onChange={(next) => change({ ...draft, selection: next })} />
          {chosen && reach.data && <ReachWords reach={reach.data} goes={draft.goes} channel={broadcast.channel} />}
          <ErrorMessage error={reach.error} named />
        </section>
        <section aria-label="The words" className="panel part">
          <div className="beside" style={{ justifyContent: 'space-between' }}>
            <h2>The words</h2>
            {own.length > 0 && (
              <Select
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
              </Select>
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
            holiday={chosen ? reach.data?.holiday : null}
            onChange={(next) => change({ ...draft, ...next })}
          />
        </section>
        <ErrorMessage error={save.error ?? start.error} named />
        {sure && reach.data && (
          <GoAhead
            receive={reach.data.receive}
            goes={draft.goes}
            busy={start.isPending}
            onGo={() => start.mutate()}
            onBack={() => setSure(false)}
          />
        )}
        <div className="beside">
          {!sure && (
            <Button look="main" disabled={!chosen || !reach.data?.receive} onClick={() => setSure(true)}>
              {draft.goes.on === 'now' ? 'Send it now' : 'Let it go at its time'}
              {reach.data && chosen ? ` to ${reach.data.receive.toLocaleString('en-US')}` : ''} …
            </Button>
          )}
          <Button disabled={!changed || save.isPending} onClick={() => save.mutate()}>
            Keep the draft
          </Button>
          <Button disabled={remove.isPending} onClick={() => remove.mutate()}>
            Throw it away
          </Button>
        </div>
      </div>
      <div className="step-side">
        <Preview channel={channel} words={draft.words} />
      </div>
    </div>
  );
}

/** What cannot be called back once it has gone is asked once more, with its number. */
function GoAhead({
  receive,
  goes,
  busy,
  onGo,
  onBack,
}: {
  receive: number;
  goes: Goes;
  busy: boolean;
  onGo: () => void;
  onBack: () => void;
}) {
  const people = `${receive.toLocaleString('en-US')} ${receive === 1 ? 'person' : 'people'}`;
  const when =
    goes.on === 'now' ? 'from now on' : `from ${goes.day}, ${goes.at}${goes.on === 'local' ? ' where each of them is' : ''}`;
  return (
    <div className="reach" role="alertdialog" aria-label="Let it go" onKeyDown={(event) => event.key === 'Escape' && onBack()}>
      <p>
        It goes to <b>{people}</b>, {when}. What has gone cannot be called back; what has not can be paused and cancelled.
      </p>
      <div className="beside">
        <Button look="main" autoFocus disabled={busy} onClick={onGo}>
          Yes, let it go
        </Button>
        <Button disabled={busy} onClick={onBack}>
          Not yet
        </Button>
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
          <BareButton
            className="plain-button"
            aria-label="Leave the chosen people out"
            onClick={() => onChange({ segments: selection.segments })}
          >
            ×
          </BareButton>
        </span>
      )}
      {segments.map((segment) => (
        <Button
          key={segment.id}
          size="tiny"
          pressed={on.has(segment.id)}
          onClick={() => {
            const next = on.has(segment.id) ? [...on].filter((id) => id !== segment.id) : [...on, segment.id];
            onChange({ ...selection, segments: next });
          }}
        >
          {segment.name}
        </Button>
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

function ReachWords({ reach, goes, channel }: { reach: Reach; goes: Goes; channel: SendChannel }) {
  const left = refusedSentence(reach.left_out, { channel });
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
      {left && <p className="soft small">Left out: {left}.</p>}
    </div>
  );
}

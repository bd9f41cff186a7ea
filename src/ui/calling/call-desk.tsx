'use client';
/**
 * The desk of one call: how it goes, notes while it goes, hanging up; after the end its outcome by number, and then on
 * to the next touch. The call logs itself; naming the outcome only says it better.
 */
import { useCallback, useEffect, useRef, useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { NAMED_OUTCOMES, outcomeName, type CallView, type CallOutcome } from '@/core/calling';
import { showPhone } from '@/core/capture';
import type { Jsoned } from '@/core/shared';
import { howLong } from '@/core/shared';
import { FromTemplate } from '../messages';
import { ask, useKeys, useNow } from '../primitives';
import { Button, Textarea, useToast } from '../kit';

export type Call = Jsoned<CallView>;

const STATES: Record<Call['state'], string> = {
  dialing: 'Dialing…',
  ringing: 'Ringing…',
  answered: 'Replied',
  voicemail: 'Voicemail',
  ended: 'Ended',
};

/** @param onDone the outcome is named; what comes next is the next touch */
export function CallDesk({ first, onDone }: { first: Call; onDone: () => void }) {
  const { data: call } = useQuery({
    queryKey: ['call', first.id],
    queryFn: () => ask('GET /calls/{id}', { params: { id: first.id } }),
    initialData: first,
    staleTime: 0,
    refetchInterval: ({ state }) => (state.data?.state === 'ended' ? false : 2_000),
  });
  const over = call.state === 'ended';
  return (
    <section className="desk" aria-label="Call" aria-live="polite">
      <div className="pair" style={{ borderBottom: 0, padding: 0 }}>
        <span>
          <b>{over ? `Call ended: ${outcomeName(call.outcome ?? 'no_answer').toLowerCase()}` : STATES[call.state]}</b>{' '}
          <span className="soft small secret">{showPhone(call.number)}</span>
        </span>
        <Length call={call} />
      </div>
      {!over && <Script contactId={call.contact_id} />}
      <CallNote call={call} />
      {over ? <Outcomes call={call} onDone={onDone} /> : <HangUp call={call} />}
    </section>
  );
}

/** What one has before oneself while one speaks. */
function Script({ contactId }: { contactId: string }) {
  const [script, setScript] = useState<string | null>(null);
  return (
    <div className="line">
      <FromTemplate
        channel="call"
        contactId={contactId}
        label={script ? 'Another script' : 'Script'}
        onFill={({ text }) => setScript(text)}
      />
      {script && (
        <p className="small" style={{ whiteSpace: 'pre-wrap', flex: 1 }}>
          {script}
        </p>
      )}
    </div>
  );
}

function Length({ call }: { call: Call }) {
  const now = useNow();
  if (call.state === 'ended') return <span className="num">{call.talk_seconds ? howLong(call.talk_seconds * 1000) : '–'}</span>;
  const since = new Date(call.answered_at ?? call.started_at).getTime();
  const seconds = Math.max(0, Math.floor((now.getTime() - since) / 1000));
  return (
    <span className={call.answered_at ? 'num good' : 'num soft'}>
      {Math.floor(seconds / 60)}:{String(seconds % 60).padStart(2, '0')}
    </span>
  );
}

const SAVE_AFTER_MS = 500;

function CallNote({ call }: { call: Call }) {
  const [note, setNote] = useState(call.note);
  const area = useRef<HTMLTextAreaElement>(null);
  const latest = useRef(call.note);
  const savedNote = useRef(call.note);
  const save = useCallback(() => {
    const words = latest.current;
    if (words === savedNote.current) return;
    savedNote.current = words;
    void ask('PATCH /calls/{id}', { params: { id: call.id }, body: { note: words } }).catch(() => {
      savedNote.current = '';
    });
  }, [call.id]);
  useEffect(() => {
    latest.current = note;
    const timer = setTimeout(save, SAVE_AFTER_MS);
    return () => clearTimeout(timer);
  }, [note, save]);
  /** Whoever goes on to the next person faster than the timer loses nothing. */
  useEffect(() => save, [save]);
  return (
    <Textarea
      ref={area}
      aria-label="Notes during the call"
      placeholder="Notes, saved as you type. Press Esc to leave the field."
      value={note}
      autoFocus={call.state !== 'ended'}
      onChange={(event) => setNote(event.target.value)}
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        area.current?.blur();
      }}
      rows={3}
      style={{
        width: '100%',
        marginTop: 8,
        font: 'inherit',
        padding: '8px 10px',
        border: '1px solid var(--line)',
        borderRadius: 6,
        background: 'var(--surface)',
        color: 'var(--ink)',
        resize: 'vertical',
      }}
    />
  );
}

function HangUp({ call }: { call: Call }) {
  const toast = useToast();
  const hangUp = useMutation({
    mutationFn: () => ask('POST /calls/{id}/hang-up', { params: { id: call.id } }),
    onError: toast.fail,
  });
  useKeys({ h: () => hangUp.mutate() }, true, true);
  return (
    <div className="line">
      <Button look="warn" onClick={() => hangUp.mutate()} disabled={hangUp.isPending}>
        Hang up <kbd>h</kbd>
      </Button>
      <span className="soft small">The call is logged when it ends.</span>
    </div>
  );
}

function Outcomes({ call, onDone }: { call: Call; onDone: () => void }) {
  const queries = useQueryClient();
  const toast = useToast();
  const name = useMutation({
    mutationFn: async (outcome: CallOutcome | null) => {
      if (outcome && outcome !== call.outcome) await ask('PATCH /calls/{id}', { params: { id: call.id }, body: { outcome } });
    },
    onSuccess: () => {
      void queries.invalidateQueries();
      onDone();
    },
    onError: toast.fail,
  });
  useKeys(
    {
      ...Object.fromEntries(NAMED_OUTCOMES.map(({ key }, at) => [String(at + 1), () => name.mutate(key)])),
      Enter: () => name.mutate(null),
    },
    true,
    true,
  );
  return (
    <>
      <div className="line" role="group" aria-label="Outcome of the call">
        {NAMED_OUTCOMES.map(({ key, name: label, meaning }, at) => (
          <Button
            key={key}
            look={call.outcome === key ? 'main' : 'plain'}
            title={meaning}
            onClick={() => name.mutate(key)}
            disabled={name.isPending}
          >
            {label} <kbd>{at + 1}</kbd>
          </Button>
        ))}
      </div>
      <div className="line">
        <Button onClick={() => name.mutate(null)}>
          Save as “{outcomeName(call.outcome ?? 'no_answer')}” <kbd>Enter</kbd>
        </Button>
      </div>
    </>
  );
}

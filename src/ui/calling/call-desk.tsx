'use client';
/**
 * The desk of one call: how it goes, notes while it goes, hanging up; after the end its outcome by number, and then on
 * to the next touch. The call logs itself; naming the outcome only says it better.
 */
import { useCallback, useEffect, useRef, useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { isWrongNumber, NAMED_OUTCOMES, outcomeName, type CallView, type CallOutcome } from '@/core/calling';
import { showPhone } from '@/core/capture';
import type { Jsoned } from '@/core/shared';
import { howLong } from '@/core/shared';
import { FromTemplate } from '../messages';
import { ask, useShortcuts, useNow } from '../primitives';
import { Button, Figure, Kbd, MenuButton, Row, Stack, Text, Textarea, useToast, Well } from '../kit';

export type Call = Jsoned<CallView>;

const STATES: Record<Call['state'], string> = {
  dialing: 'Dialing…',
  ringing: 'Ringing…',
  answered: 'Answered',
  voicemail: 'Voicemail',
  ended: 'Ended',
};

interface CallDeskProps {
  first: Call;
  /** The numbers of theirs that work, in their order. */
  numbers?: string[];
  /** Calls another one of them. */
  onCall?: (number: string) => void;
  /** The outcome is named; what comes next is the next touch. */
  onDone: () => void;
}

export function CallDesk({ first, numbers = [], onCall, onDone }: CallDeskProps) {
  const { data: call } = useQuery({
    queryKey: ['call', first.id],
    queryFn: () => ask('GET /calls/{id}', { params: { id: first.id } }),
    initialData: first,
    staleTime: 0,
    refetchInterval: ({ state }) => (state.data?.state === 'ended' ? false : 2_000),
  });
  const over = call.state === 'ended';
  const others = onCall ? numbers.filter((number) => number !== call.number) : [];
  const afterHangUp = useCallNext(call, onCall);
  return (
    <Well as="section" aria-label="Call" aria-live="polite">
      <Row spread wrap={false} gap={3}>
        <span>
          <b>{over ? `Call ended: ${outcomeName(call.outcome ?? 'no_answer').toLowerCase()}` : STATES[call.state]}</b>{' '}
          <Text tone="soft" small secret>
            {showPhone(call.number)}
          </Text>
        </span>
        <Length call={call} />
      </Row>
      <Stack gap={2} above={1}>
        {!over && <Script contactId={call.contact_id} />}
        <CallNote call={call} />
        {over ? (
          <Outcomes call={call} others={others} onCall={(number) => onCall?.(number)} onDone={onDone} />
        ) : (
          <HangUp call={call} others={others} onSwitch={afterHangUp} />
        )}
      </Stack>
    </Well>
  );
}

/** Calling another number of theirs as soon as the call under way has ended. @returns what says which one */
function useCallNext(call: Call, onCall: CallDeskProps['onCall']): (number: string) => void {
  const waiting = useRef<string | null>(null);
  const over = call.state === 'ended';
  useEffect(() => {
    const number = waiting.current;
    waiting.current = null;
    if (over && number) onCall?.(number);
    else waiting.current = number;
  }, [over, onCall]);
  return (number) => {
    waiting.current = number;
  };
}

/** What one has before oneself while one speaks. */
function Script({ contactId }: { contactId: string }) {
  const [script, setScript] = useState<string | null>(null);
  return (
    <Row>
      <FromTemplate
        channel="call"
        contactId={contactId}
        label={script ? 'Another script' : 'Script'}
        onFill={({ text }) => setScript(text)}
      />
      {script && (
        <Text as="p" small pre>
          {script}
        </Text>
      )}
    </Row>
  );
}

function Length({ call }: { call: Call }) {
  const now = useNow();
  if (call.state === 'ended') return <Figure>{call.talk_seconds ? howLong(call.talk_seconds * 1000) : '–'}</Figure>;
  const since = new Date(call.answered_at ?? call.started_at).getTime();
  const seconds = Math.max(0, Math.floor((now.getTime() - since) / 1000));
  return (
    <Figure tone={call.answered_at ? 'good' : 'soft'}>
      {Math.floor(seconds / 60)}:{String(seconds % 60).padStart(2, '0')}
    </Figure>
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
    />
  );
}

function HangUp({ call, others, onSwitch }: { call: Call; others: string[]; onSwitch: (number: string) => void }) {
  const toast = useToast();
  const hangUp = useMutation({
    mutationFn: () => ask('POST /calls/{id}/hang-up', { params: { id: call.id } }),
    onError: toast.fail,
  });
  useShortcuts('call', { hangUp: () => hangUp.mutate() });
  return (
    <Row>
      <Button look="warn" onClick={() => hangUp.mutate()} disabled={hangUp.isPending}>
        Hang up <Kbd>h</Kbd>
      </Button>
      {others.length > 0 && (
        <MenuButton
          disabled={hangUp.isPending}
          choices={others.map((number) => ({
            key: number,
            name: showPhone(number),
            note: 'Hangs up and calls this one',
            onChoose: () => {
              onSwitch(number);
              hangUp.mutate();
            },
          }))}
        >
          Another number
        </MenuButton>
      )}
      <Text tone="soft" small>
        The call is logged when it ends.
      </Text>
    </Row>
  );
}

function Outcomes({
  call,
  others,
  onCall,
  onDone,
}: {
  call: Call;
  others: string[];
  onCall: (number: string) => void;
  onDone: () => void;
}) {
  const [wrong, setWrong] = useState(false);
  const queries = useQueryClient();
  const toast = useToast();
  const name = useMutation({
    mutationFn: async (outcome: CallOutcome | null) => {
      if (outcome && outcome !== call.outcome) await ask('PATCH /calls/{id}', { params: { id: call.id }, body: { outcome } });
    },
    onSuccess: (_, outcome) => {
      void queries.invalidateQueries();
      if (isWrongNumber(outcome ?? call.outcome ?? 'no_answer') && others.length) setWrong(true);
      else onDone();
    },
    onError: toast.fail,
  });
  useShortcuts(
    'call',
    {
      ...Object.fromEntries(NAMED_OUTCOMES.map(({ key }, at) => [`outcome${at + 1}`, () => name.mutate(key)])),
      accept: () => name.mutate(null),
    },
    !wrong,
  );
  if (wrong) return <NextNumber number={others[0]!} onCall={onCall} onDone={onDone} />;
  return (
    <>
      <Row role="group" aria-label="Outcome of the call">
        {NAMED_OUTCOMES.map(({ key, name: label, meaning }, at) => (
          <Button
            key={key}
            look={call.outcome === key ? 'main' : 'plain'}
            title={meaning}
            onClick={() => name.mutate(key)}
            disabled={name.isPending}
          >
            {label} <Kbd>{at + 1}</Kbd>
          </Button>
        ))}
      </Row>
      <Row>
        <Button onClick={() => name.mutate(null)}>
          Save as “{outcomeName(call.outcome ?? 'no_answer')}” <Kbd>Enter</Kbd>
        </Button>
      </Row>
    </>
  );
}

/** After a wrong number: the next one of theirs. */
function NextNumber({ number, onCall, onDone }: { number: string; onCall: (number: string) => void; onDone: () => void }) {
  return (
    <Row role="group" aria-label="Next number">
      <Text>Marked wrong. They have another number.</Text>
      <Button look="main" autoFocus onClick={() => onCall(number)}>
        Call {showPhone(number)} <Kbd>Enter</Kbd>
      </Button>
      <Button onClick={onDone}>Not now</Button>
    </Row>
  );
}

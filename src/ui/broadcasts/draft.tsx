'use client';
/** A broadcast while it is a draft: to whom, its words and its time, with whom it reaches counted. It goes at the second word, not at the first. */
import { type SendChannel, refusedSentence } from '@/core/contacts';
import { useState } from 'react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMutation, useQuery } from '@tanstack/react-query';
import type { BroadcastSelection, Goes, Reach } from '@/core/messages';
import { ask, freshKey, useUndoHistory, useFormat } from '../primitives';
import { useSegments } from '../segments';
import { Preview, useTemplates, WordsEditor } from '../templates';
import type { Broadcast } from './shapes';
import { WhenItGoes } from './when';
import {
  Aside,
  BareButton,
  Button,
  Chip,
  ErrorMessage,
  Heading,
  Panel,
  Row,
  Select,
  Split,
  SplitSide,
  Stack,
  Text,
  UnsavedNotice,
  useToast,
} from '../kit';

/** What of a broadcast is written here. */
const draftedOf = ({ words, selection, goes, per_minute, template_id }: Broadcast) => ({
  words,
  selection,
  goes,
  per_minute,
  template_id,
});

export function Draft({ broadcast, onSaved: onKept }: { broadcast: Broadcast; onSaved: (next: Broadcast) => void }) {
  const format = useFormat();
  const { channel } = broadcast;
  const history = useUndoHistory(`broadcast_${broadcast.id}`, draftedOf(broadcast));
  const { draft, change } = history;
  const template = draft.template_id;
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
  const changed = JSON.stringify(draft) !== JSON.stringify(draftedOf(broadcast));
  const keep = async () => {
    const next = await ask('PATCH /broadcasts/{id}', { params: { id: broadcast.id }, body: draft });
    history.saved(draftedOf(next));
    return next;
  };
  const save = useMutation({ mutationFn: keep, onSuccess: onKept });
  const start = useMutation({
    mutationFn: async () => {
      if (changed) await keep();
      return ask('POST /broadcasts/{id}/start', { params: { id: broadcast.id }, headers: freshKey() });
    },
    onSuccess: (next) => {
      onKept(next);
      toast.tell('Sending. You can pause or cancel what hasn’t gone out yet.');
    },
  });
  const remove = useMutation({
    mutationFn: () => ask('DELETE /broadcasts/{id}', { params: { id: broadcast.id } }),
    onSuccess: () => {
      history.discard();
      router.push('/campaigns/broadcasts');
    },
    onError: toast.fail,
  });
  const own = templates.filter((one) => one.channel === channel);
  return (
    <Split onKeyDown={history.onKeyDown}>
      <Stack gap={5}>
        <UnsavedNotice history={history} />
        <Panel as="section" aria-label="Recipients">
          <Heading>Recipients</Heading>
          <ToWhom selection={draft.selection} onChange={(next) => change({ ...draft, selection: next })} />
          {chosen && reach.data && <ReachWords reach={reach.data} goes={draft.goes} channel={broadcast.channel} />}
          <ErrorMessage error={reach.error} named />
        </Panel>
        <Panel as="section" aria-label="Message">
          <Row spread above={1}>
            <Heading>Message</Heading>
            {own.length > 0 && (
              <Select
                aria-label="Start from a template"
                value={template ?? ''}
                onChange={(event) => {
                  const one = own.find(({ id }) => id === event.target.value);
                  change({ ...draft, template_id: one?.id ?? null, ...(one ? { words: one.words } : {}) });
                }}
              >
                <option value="">Write it here</option>
                {own.map(({ id, name }) => (
                  <option key={id} value={id}>
                    from “{name}”
                  </option>
                ))}
              </Select>
            )}
          </Row>
          <WordsEditor
            channel={channel}
            words={draft.words}
            templateId={template}
            onChange={(next) => change({ ...draft, words: next })}
          />
        </Panel>
        <Panel as="section" aria-label="When">
          <Heading>When</Heading>
          <WhenItGoes
            channel={channel}
            goes={draft.goes}
            perMinute={draft.per_minute}
            holiday={chosen ? reach.data?.holiday : null}
            onChange={(next) => change({ ...draft, ...next })}
          />
        </Panel>
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
        <Row above={1}>
          {!sure && (
            <Button look="main" disabled={!chosen || !reach.data?.receive} onClick={() => setSure(true)}>
              {draft.goes.on === 'now' ? 'Send now' : 'Schedule'}
              {reach.data && chosen ? ` to ${format.number(reach.data.receive)}` : ''}…
            </Button>
          )}
          <Button disabled={!changed || save.isPending} onClick={() => save.mutate()}>
            Save draft
          </Button>
          <Button disabled={remove.isPending} onClick={() => remove.mutate()}>
            Discard
          </Button>
        </Row>
      </Stack>
      <SplitSide>
        <Preview channel={channel} words={draft.words} />
      </SplitSide>
    </Split>
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
  const format = useFormat();
  const people = `${format.number(receive)} ${receive === 1 ? 'person' : 'people'}`;
  const when =
    goes.on === 'now'
      ? 'now'
      : `on ${format.plainDay(goes.day)} at ${format.clockTime(goes.at)}${goes.on === 'local' ? ' in each contact’s time zone' : ''}`;
  return (
    <Aside role="alertdialog" aria-label="Send" onKeyDown={(event) => event.key === 'Escape' && onBack()}>
      <p>
        This goes to <b>{people}</b> {when}. Sent messages can’t be recalled. You can pause or cancel the rest.
      </p>
      <Row above={1}>
        <Button look="main" autoFocus disabled={busy} onClick={onGo}>
          Send
        </Button>
        <Button disabled={busy} onClick={onBack}>
          Cancel
        </Button>
      </Row>
    </Aside>
  );
}

/** Segments together, or the people that were chosen in Contacts. */
function ToWhom({ selection, onChange }: { selection: BroadcastSelection; onChange: (selection: BroadcastSelection) => void }) {
  const format = useFormat();
  const { data: segments = [] } = useSegments();
  const on = new Set(selection.segments ?? []);
  const people = (selection.ids?.length ?? 0) > 0 || selection.question;
  return (
    <Row above={1} role="group" aria-label="Segments">
      {people && (
        <Chip>
          {selection.ids?.length
            ? `${format.number(selection.ids.length)} selected in Contacts`
            : `everyone on a list from Contacts${selection.except?.length ? ` but ${selection.except.length}` : ''}`}{' '}
          <BareButton aria-label="Remove the selected people" onClick={() => onChange({ segments: selection.segments })}>
            ×
          </BareButton>
        </Chip>
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
        <Text tone="soft" small>
          No segments yet. <Link href="/contacts">Save a list in Contacts as a segment</Link>, or select people there and choose
          “Broadcast…”.
        </Text>
      )}
    </Row>
  );
}

function ReachWords({ reach, goes, channel }: { reach: Reach; goes: Goes; channel: SendChannel }) {
  const format = useFormat();
  const left = refusedSentence(reach.left_out, { channel });
  return (
    <Aside aria-live="polite">
      <p>
        <b>
          {format.number(reach.receive)} of {format.number(reach.people)}
        </b>{' '}
        get it, once each
        {reach.letter_cents > 0 && goes.printed !== 'here' && `, for ${format.money(reach.letter_cents / 100, true)}`}
        {reach.minutes > 1 &&
          `; the last goes ${reach.minutes < 120 ? `${reach.minutes} minutes` : `${Math.round(reach.minutes / 60)} hours`} after the first`}
        .
      </p>
      {left && (
        <Text as="p" tone="soft" small>
          Left out: {left}.
        </Text>
      )}
    </Aside>
  );
}

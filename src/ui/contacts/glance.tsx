'use client';
/** What must be seen at once: when the next touch is, what they permit, and the note that somebody pinned. */
import { useState } from 'react';
import { Pin } from 'lucide-react';
import { localDate } from '@/core/shared';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ask, useFormat, useNow, useZone, when } from '../primitives';
import { Button, Highlight, Row, Stack, Text, useToast } from '../kit';
import { Permissions } from './permissions';
import type { ContactInFull } from './types';

const KINDS = { promise: 'you promised', call: 'call', rhythm: 'by check-in rhythm' } as const;

export function Glance({
  contact,
  readOnly,
  onNextTouch,
}: {
  contact: ContactInFull;
  readOnly: boolean;
  onNextTouch: () => void;
}) {
  const now = useNow();
  const zone = useZone();
  const format = useFormat();
  const { next_touch: next, pinned_note: pinned } = contact;
  const at = next && new Date(next.at);
  return (
    <Stack gap={1} above={readOnly ? 3 : undefined}>
      <Row spread gap={2} wrap={false}>
        <span>
          <Text tone="soft">Next touch</Text>{' '}
          {at ? (
            <>
              <Text strong tone={at < now ? 'late' : undefined}>
                {when(at, now, zone, format)}
                {next.kind !== 'rhythm' && localDate(at, zone) !== localDate(now, zone) && `, ${format.time(at, zone)}`}
              </Text>{' '}
              <Text tone="soft" small>
                {next.note ?? KINDS[next.kind]}
              </Text>
            </>
          ) : (
            'not set'
          )}
        </span>
        {!readOnly && (
          <Button size="tiny" title="Set the next touch (s)" onClick={onNextTouch}>
            {next ? 'Change' : 'Set'}
          </Button>
        )}
      </Row>
      <Permissions contact={contact} readOnly={readOnly} />
      {pinned && <PinnedNote contactId={contact.id} note={pinned} readOnly={readOnly} />}
    </Stack>
  );
}

/** Longer ones are opened. */
const SHORT = 180;

function PinnedNote({
  contactId,
  note,
  readOnly,
}: {
  contactId: string;
  note: NonNullable<ContactInFull['pinned_note']>;
  readOnly: boolean;
}) {
  const zone = useZone();
  const format = useFormat();
  const [whole, setWhole] = useState(false);
  const pin = usePin(contactId);
  const long = note.text.length > SHORT;
  return (
    <Highlight spread align="start" wrap={false} role="note" aria-label="Pinned note">
      <Pin size={14} aria-hidden="true" />
      <Stack gap={0.5} grow>
        <Text pre dir="auto">
          {long && !whole ? `${note.text.slice(0, SHORT)}…` : note.text}
        </Text>
        <Text tone="soft" small>
          {[note.by, format.shortDay(new Date(note.at), zone)].filter(Boolean).join(', ')}
          {long && (
            <>
              {' '}
              <Button look="link" onClick={() => setWhole(!whole)}>
                {whole ? 'Less' : 'More'}
              </Button>
            </>
          )}
        </Text>
      </Stack>
      {!readOnly && (
        <Button size="tiny" onClick={() => pin.mutate(null)}>
          Unpin
        </Button>
      )}
    </Highlight>
  );
}

/** Pins a note above everything else, or unpins it. */
export function usePin(contactId: string) {
  const queries = useQueryClient();
  const toast = useToast();
  return useMutation({
    mutationFn: (id: string | null) =>
      ask('PUT /contacts/{id}/pinned-note', { params: { id: contactId }, body: { note_id: id } }),
    onSuccess: () => void queries.invalidateQueries({ queryKey: ['contact', contactId] }),
    onError: toast.fail,
  });
}

'use client';
/** The campaigns of a contact: what comes next of each, stopping one, holding all, adding to another. */
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { CHANNELS, type Channel } from '@/core/contacts';
import { ask, NO_WORDS, useFormat, useNow, useVocabulary, useZone, when } from '../primitives';
import { Button, Combo, ListLine, Row, Section, Text, useToast } from '../kit';
import { useEnrollments, type ContactInFull, type Enrollment } from './types';

const MOST_SHOWN = 8;

export function FollowUp({ contact, readOnly }: { contact: ContactInFull; readOnly?: boolean }) {
  const { id: contactId, campaigns_held: held } = contact;
  const enrollments = useEnrollments(contactId);
  const queries = useQueryClient();
  const toast = useToast();
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const changed = (words: string, undo?: () => void) => {
    toast.tell(words, undo);
    void queries.invalidateQueries({
      predicate: ({ queryKey: [what, of] }) =>
        ['wire', 'today', 'campaigns'].includes(String(what)) ||
        (['contact', 'timeline', 'enrollments'].includes(String(what)) && of === contactId),
    });
  };
  const stop = useMutation({
    mutationFn: (id: string) => ask('POST /enrollments/{id}/stop', { params: { id } }),
    onSuccess: () => changed('Stopped the campaign for them.'),
    onError: toast.fail,
  });
  const enroll = useMutation({
    mutationFn: (id: string) => ask('POST /contacts/{id}/enrollments', { params: { id: contactId }, body: { campaign_id: id } }),
    onSuccess: () => changed('Added to the campaign.'),
    onError: toast.fail,
  });
  const hold = useMutation({
    mutationFn: (next: boolean) => ask('PUT /contacts/{id}/campaigns-held', { params: { id: contactId }, body: { held: next } }),
    onSuccess: (_, next) =>
      changed(next ? 'All campaigns are on hold for them.' : 'Campaigns go on for them.', () => hold.mutate(!next)),
    onError: toast.fail,
  });
  return (
    <Section
      title="Campaigns"
      end={
        !readOnly && (
          <Button size="tiny" pressed={held} onClick={() => hold.mutate(!held)}>
            {held ? 'Resume campaigns' : 'Hold all campaigns'}
          </Button>
        )
      }
    >
      {held && <Text tone="late">All campaigns are on hold for them.</Text>}
      {enrollments.data?.items.length === 0 && <Text tone="soft">Not in a campaign.</Text>}
      {enrollments.data?.items.slice(0, MOST_SHOWN).map((one) => (
        <EnrollmentLine key={one.id} enrollment={one} readOnly={readOnly} onStop={() => stop.mutate(one.id)} />
      ))}
      {!readOnly && (
        <Row above={1}>
          <Combo
            label="Add to a campaign"
            width={280}
            disabled={enroll.isPending}
            options={(vocabulary.names.campaign ?? []).map(({ value, name }) => ({ value, name }))}
            onPick={(id) => enroll.mutate(id)}
          />
        </Row>
      )}
    </Section>
  );
}

function EnrollmentLine({
  enrollment: one,
  readOnly,
  onStop,
}: {
  enrollment: Enrollment;
  readOnly?: boolean;
  onStop: () => void;
}) {
  const zone = useZone();
  const format = useFormat();
  const now = useNow();
  if (one.state !== 'active' && one.state !== 'paused')
    return (
      <ListLine>
        <Text tone="soft" small>
          {one.because ?? one.campaign.name}
        </Text>
      </ListLine>
    );
  const at = one.next && new Date(one.next.at);
  return (
    <ListLine
      end={
        !readOnly && (
          <Button size="tiny" aria-label={`Stop ${one.campaign.name} for them`} onClick={onStop}>
            Stop
          </Button>
        )
      }
    >
      {one.campaign.name}
      {one.next && at && (
        <Text tone="soft" small block>
          Next: {CHANNELS[one.next.channel as Channel].name}, {when(at, now, zone, format)} {format.time(at, zone)}
          {one.next.waits ? ', waits' : ''}
        </Text>
      )}
    </ListLine>
  );
}

'use client';
/** Setting the next touch: five choices by number, or a day and hour; with what was promised. */
import { useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { HOUR, localInstant } from '@/core/shared';
import { ask, useShortcuts, useNow, useZone } from '../primitives';
import { Button, Checkbox, DateField, Heading, Input, Kbd, Row, TimeField, useToast, Well } from '../kit';

interface Choice {
  key: string;
  name: string;
  at: (now: Date, zone: string) => Date | null;
}
const CHOICES: Choice[] = [
  { key: '1', name: 'In 3 hours', at: (now) => new Date(now.getTime() + 3 * HOUR) },
  { key: '2', name: 'Tomorrow at 10 AM', at: (now, zone) => localInstant(now, zone, 1, '10:00') },
  { key: '3', name: 'In 3 days', at: (now, zone) => localInstant(now, zone, 3, '10:00') },
  { key: '4', name: 'In a week', at: (now, zone) => localInstant(now, zone, 7, '10:00') },
  { key: '5', name: 'By check-in rhythm', at: () => null },
];

export function NextTouch({ contactId, onClose }: { contactId: string; onClose: (set: boolean) => void }) {
  const now = useNow();
  const zone = useZone();
  const queries = useQueryClient();
  const toast = useToast();
  const [note, setNote] = useState('');
  const [day, setDay] = useState<string | null>(null);
  const [time, setTime] = useState('10:00');
  const [appointment, setAppointment] = useState(false);
  const set = useMutation({
    mutationFn: (at: Date | null) =>
      ask('PUT /contacts/{id}/next-touch', {
        params: { id: contactId },
        body: { at: at?.toISOString() ?? null, note, appointment },
      }),
    onSuccess: () => {
      void queries.invalidateQueries();
      onClose(true);
    },
    onError: toast.fail,
  });
  const choose = (choice: Choice) => set.mutate(choice.at(now, zone));
  useShortcuts('choices', {
    ...Object.fromEntries(CHOICES.map((choice) => [`choice${choice.key}`, () => choose(choice)])),
    close: () => onClose(false),
  });
  return (
    <Well role="group" aria-label="Next touch">
      <Heading>Next touch</Heading>
      <Row above={2}>
        {CHOICES.map((choice, at) => (
          <Button key={choice.key} onClick={() => choose(choice)} disabled={set.isPending} autoFocus={at === 0}>
            {choice.name} <Kbd>{choice.key}</Kbd>
          </Button>
        ))}
      </Row>
      <Row above={2}>
        <DateField label="Date" value={day} onChange={setDay} />
        <TimeField label="Time" value={time} onChange={(next) => next && setTime(next)} />
        <Input
          aria-label="What you promised"
          placeholder="What you promised"
          value={note}
          onChange={(event) => setNote(event.target.value)}
          grow
        />
        <Checkbox
          title="Campaigns that end on a reply end on an appointment too"
          checked={appointment}
          onChange={(event) => setAppointment(event.target.checked)}
        >
          It’s an appointment
        </Checkbox>
        <Button
          disabled={!day || set.isPending}
          onClick={() => day && set.mutate(localInstant(new Date(`${day}T12:00:00Z`), zone, 0, time))}
        >
          Set
        </Button>
        <Button onClick={() => onClose(false)}>
          Close <Kbd>Esc</Kbd>
        </Button>
      </Row>
    </Well>
  );
}

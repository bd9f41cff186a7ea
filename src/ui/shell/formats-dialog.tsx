'use client';
/** Formats of one's own: language and region, the clock, the first day of the week; with how they look, before they are saved. */
import { useState } from 'react';
import { useMutation } from '@tanstack/react-query';
import { formatOf, type FormatChoice } from '@/core/format';
import { localDate } from '@/core/shared';
import { ask, useNow, useZone } from '../primitives';
import { Dialog, Text, useToast } from '../kit';
import { FormatFields } from './format-fields';

export function FormatsDialog({
  formats,
  onClose,
  onSaved,
}: {
  formats: FormatChoice;
  onClose: () => void;
  onSaved: (formats: FormatChoice) => void;
}) {
  const [choice, setChoice] = useState(formats);
  const toast = useToast();
  const now = useNow();
  const zone = useZone();
  const format = formatOf(choice);
  const save = useMutation({
    mutationFn: () => ask('PUT /preferences', { body: { format: choice } }),
    onSuccess: () => {
      toast.tell('Formats saved.');
      onSaved(choice);
      onClose();
    },
  });
  return (
    <Dialog
      title="Date and number formats"
      dirty={(Object.keys(choice) as (keyof FormatChoice)[]).some((key) => choice[key] !== formats[key])}
      onClose={onClose}
      onSubmit={() => save.mutate()}
      busy={save.isPending}
      error={save.error}
    >
      <FormatFields choice={choice} onChange={setChoice} />
      <Text as="p" tone="soft" role="status">
        {format.dayAndTime(now, zone)} · {format.numericDay(localDate(now, zone))} · {format.money(469_400)}
      </Text>
    </Dialog>
  );
}

'use client';
/** Formats of one's own: language and region, the clock, the first day of the week; with how they look, before they are saved. */
import { useState } from 'react';
import { useMutation } from '@tanstack/react-query';
import { formatOf, LOCALE_NAMES, LOCALES, type FormatChoice, type Locale } from '@/core/format';
import { ask, useNow, useZone } from '../primitives';
import { Dialog, Select, Stack, Text, useToast } from '../kit';

const DAYS = [
  [7, 'Sunday'],
  [1, 'Monday'],
  [6, 'Saturday'],
] as const;
const USUAL = '';

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
      <Stack as="label" gap={1}>
        Language and region
        <Select
          width="100%"
          value={choice.locale}
          onChange={({ target }) => setChoice({ ...choice, locale: target.value as Locale })}
        >
          {LOCALES.map((locale) => (
            <option key={locale} value={locale}>
              {LOCALE_NAMES[locale]}
            </option>
          ))}
        </Select>
      </Stack>
      <Stack as="label" gap={1}>
        Time format
        <Select
          width="100%"
          value={choice.clock ?? USUAL}
          onChange={({ target }) => setChoice({ ...choice, clock: target.value ? (Number(target.value) as 12 | 24) : null })}
        >
          <option value={USUAL}>Standard for the region</option>
          <option value={12}>12-hour</option>
          <option value={24}>24-hour</option>
        </Select>
      </Stack>
      <Stack as="label" gap={1}>
        First day of the week
        <Select
          width="100%"
          value={choice.weekStart ?? USUAL}
          onChange={({ target }) => setChoice({ ...choice, weekStart: target.value ? Number(target.value) : null })}
        >
          <option value={USUAL}>Standard for the region</option>
          {DAYS.map(([day, name]) => (
            <option key={day} value={day}>
              {name}
            </option>
          ))}
        </Select>
      </Stack>
      <Text as="p" tone="soft" role="status">
        {format.dayAndTime(now, zone)} · {format.numericDay(now.toISOString().slice(0, 10))} · {format.money(469_400)}
      </Text>
    </Dialog>
  );
}

'use client';
/** The formats of the account: of whoever has chosen none of their own, and of what is written to clients. */
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { formatOfSettings, settingsOfFormat, type SettingsView } from '@/core/accounts';
import type { FormatChoice } from '@/core/format';
import { ask } from '../primitives';
import { Stack, useToast } from '../kit';
import { FormatFields } from '../shell';
import { Block } from './block';

export function Formats({ settings }: { settings: SettingsView }) {
  const toast = useToast();
  const queries = useQueryClient();
  const router = useRouter();
  const [choice, setChoice] = useState(formatOfSettings(settings));
  const save = useMutation({
    mutationFn: (next: FormatChoice) => ask('PATCH /settings', { body: settingsOfFormat(next) }),
    onSuccess: () => {
      void queries.invalidateQueries();
      router.refresh();
      toast.tell('Saved. It applies to everyone who hasn’t chosen their own.');
    },
    onError: (error) => {
      setChoice(formatOfSettings(settings));
      toast.fail(error);
    },
  });
  return (
    <Block title="Formats" note="How dates, times, and numbers look. Each person can choose their own under their initials.">
      <Stack gap={3} width={320}>
        <FormatFields
          choice={choice}
          onChange={(next) => {
            setChoice(next);
            save.mutate(next);
          }}
        />
      </Stack>
    </Block>
  );
}

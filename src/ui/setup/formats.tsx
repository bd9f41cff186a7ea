'use client';
/** The formats of the account: of whoever has chosen none of their own, and of what is written to clients. */
import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { SettingsView } from '@/core/accounts';
import { LOCALE_NAMES, LOCALES, type Locale } from '@/core/format';
import { ask } from '../primitives';
import { Field, Select, useToast } from '../kit';
import { Block } from './block';

export function Formats({ settings }: { settings: SettingsView }) {
  const toast = useToast();
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: (locale: Locale) => ask('PATCH /settings', { body: { locale } }),
    onSuccess: () => {
      void queries.invalidateQueries();
      toast.tell('Saved. It applies to everyone who hasn’t chosen their own.');
    },
    onError: toast.fail,
  });
  return (
    <Block title="Formats" note="How dates, times, and numbers look. Each person can choose their own under their initials.">
      <Field label="Language and region">
        {(control) => (
          <Select
            {...control}
            width={320}
            defaultValue={settings.locale}
            disabled={save.isPending}
            onChange={({ target }) => save.mutate(target.value as Locale)}
          >
            {LOCALES.map((locale) => (
              <option key={locale} value={locale}>
                {LOCALE_NAMES[locale]}
              </option>
            ))}
          </Select>
        )}
      </Field>
    </Block>
  );
}

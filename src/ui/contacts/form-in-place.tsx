'use client';
/** A small form that opens where a fact stands: Enter saves, Esc leaves it as it was. */
import type { KeyboardEvent, ReactNode } from 'react';
import type { FieldValues } from 'react-hook-form';
import { ErrorMessage, FormEnd, FormFields, Stack, type SaveForm } from '../kit';

export function FormInPlace<Values extends FieldValues>({
  label,
  form,
  onClose,
  children,
}: {
  label: string;
  form: SaveForm<Values>;
  onClose: () => void;
  children: ReactNode;
}) {
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== 'Escape') return;
    event.stopPropagation();
    onClose();
  };
  return (
    <form onSubmit={form.submit} onKeyDown={onKeyDown} noValidate aria-label={label}>
      <FormFields of={form}>
        <Stack gap={2} above={1}>
          {children}
          <FormEnd does="Save" busy={form.busy} onCancel={onClose} />
          <ErrorMessage error={form.error} />
        </Stack>
      </FormFields>
    </form>
  );
}

'use client';
/** The password once more, where a change asks for it: then the change goes on as if nothing had been. */
import { ask, usePasswordAsked } from '../primitives';
import { FormDialog, Text, TextFormField, useSaveForm } from '../kit';

/** Where there is no frame that shows it. */
export function ConfirmPassword() {
  const onEnd = usePasswordAsked();
  return onEnd && <PasswordDialog onEnd={onEnd} />;
}

export function PasswordDialog({ onEnd }: { onEnd: (typed: boolean) => void }) {
  const form = useSaveForm({
    values: { password: '' },
    save: (body) => ask('POST /password/confirmation', { body }),
    onSaved: () => onEnd(true),
  });
  return (
    <FormDialog
      title="It’s you, right?"
      form={form}
      does="Continue"
      may={form.form.watch('password') !== ''}
      onClose={() => onEnd(false)}
    >
      <Text as="p" tone="soft">
        You’re about to change something important. Enter your password to go on.
      </Text>
      <TextFormField name="password" label="Your password" type="password" autoComplete="current-password" autoFocus />
    </FormDialog>
  );
}

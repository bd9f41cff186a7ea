'use client';
/** Choosing a password: seen when one wants to see it. */
import { useState } from 'react';
import { Checkbox, Field, Input } from '../kit';

export function PasswordField({ label, error, autoFocus }: { label: string; error?: string | null; autoFocus?: boolean }) {
  const [password, setPassword] = useState('');
  const [shown, setShown] = useState(false);
  return (
    <>
      <Field
        label={label}
        error={error ?? undefined}
        help="At least 10 characters. A few words that don’t belong together are best."
      >
        {(control) => (
          <Input
            {...control}
            name="password"
            type={shown ? 'text' : 'password'}
            autoComplete="new-password"
            required
            autoFocus={autoFocus}
            value={password}
            onChange={(event) => setPassword(event.target.value)}
          />
        )}
      </Field>
      <Checkbox checked={shown} onChange={(event) => setShown(event.target.checked)}>
        Show password
      </Checkbox>
    </>
  );
}

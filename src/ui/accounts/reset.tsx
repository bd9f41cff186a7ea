'use client';
/** Choosing a new password by a link that was mailed. A link that is none any more leads to a new one. */
import { useActionState, useState } from 'react';
import { Checkbox, Field, Heading, Input, LinkButton, Stack, Text } from '../kit';
import { LoginForm, LoginFrame } from './login-frame';

export interface ResetState {
  /** At the field. */
  error: string | null;
  /** With the whole of it. */
  message: string | null;
}

export function Reset({ action, email }: { action: (before: ResetState, form: FormData) => Promise<ResetState>; email: string }) {
  const [{ error, message }, send, sending] = useActionState(action, { error: null, message: null });
  const [password, setPassword] = useState('');
  const [shown, setShown] = useState(false);
  return (
    <LoginFrame>
      <Stack above={5} gap={2}>
        <Heading>Choose a new password</Heading>
        <Text as="p" tone="soft">
          For {email}. You’ll be logged out on every device.
        </Text>
      </Stack>
      <LoginForm send={send} message={message} does="Save password" sending={sending}>
        <Field
          label="New password"
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
              autoFocus
              value={password}
              onChange={(event) => setPassword(event.target.value)}
            />
          )}
        </Field>
        <Checkbox checked={shown} onChange={(event) => setShown(event.target.checked)}>
          Show password
        </Checkbox>
      </LoginForm>
    </LoginFrame>
  );
}

/** The link was used, or is too old. */
export function ResetEnded() {
  return (
    <LoginFrame>
      <Stack above={5} gap={3}>
        <Heading>This link no longer works</Heading>
        <Text as="p" tone="soft">
          It was used already, or it’s too old.
        </Text>
        <LinkButton look="main" href="/forgot">
          Get a new link
        </LinkButton>
      </Stack>
    </LoginFrame>
  );
}

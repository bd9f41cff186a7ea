'use client';
/** Choosing a new password by a link that was mailed. A link that is none any more leads to a new one. */
import { useActionState } from 'react';
import { Heading, LinkButton, Stack, Text } from '../kit';
import { LoginForm, LoginFrame } from './login-frame';
import { PasswordField } from './password-field';

export interface ResetState {
  /** At the field. */
  error: string | null;
  /** With the whole of it. */
  message: string | null;
}

export function Reset({ action, email }: { action: (before: ResetState, form: FormData) => Promise<ResetState>; email: string }) {
  const [{ error, message }, send, sending] = useActionState(action, { error: null, message: null });
  return (
    <LoginFrame>
      <Stack above={5} gap={2}>
        <Heading>Choose a new password</Heading>
        <Text as="p" tone="soft">
          For {email}. You’ll be logged out on every device.
        </Text>
      </Stack>
      <LoginForm send={send} message={message} does="Save password" sending={sending}>
        <PasswordField label="New password" error={error} autoFocus />
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

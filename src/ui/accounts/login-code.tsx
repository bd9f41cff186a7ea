'use client';
/** The second step of the login: the code of the app, or a recovery code; or a passkey instead of both. */
import { useActionState } from 'react';
import { Field, Heading, Input, LinkButton, Row, Stack, Text } from '../kit';
import { LoginForm, LoginFrame } from './login-frame';
import type { PasskeyActions } from './passkey-login';
import { PasskeyButton } from './passkey-button';

export interface CodeState {
  message: string | null;
}

export function LoginCode({
  action,
  passkey,
}: {
  action: (before: CodeState, form: FormData) => Promise<CodeState>;
  /** Null where there are none. */
  passkey: PasskeyActions | null;
}) {
  const [{ message }, send, sending] = useActionState(action, { message: null });
  return (
    <LoginFrame>
      <Stack above={5} gap={2}>
        <Heading>Enter your code</Heading>
        <Text as="p" tone="soft">
          It’s in your authenticator app. If you lost your phone, use one of your recovery codes.
        </Text>
      </Stack>
      <LoginForm send={send} message={message} does="Log in" sending={sending}>
        <Field label="Code">
          {(control) => <Input {...control} name="code" autoComplete="one-time-code" autoCapitalize="none" required autoFocus />}
        </Field>
      </LoginForm>
      <Row above={4}>
        {passkey && <PasskeyButton actions={passkey} />}
        <LinkButton look="link" href="/login">
          Start over
        </LinkButton>
      </Row>
    </LoginFrame>
  );
}

'use client';
/** The login. In the demo it shows whom one can be. */
import { useActionState } from 'react';
import { Field, Heading, Input, LinkButton, LoginChoice, Row, Stack, Text } from '../kit';
import { PasskeyButton } from './passkey-button';
import type { PasskeyActions } from './passkey-login';
import { EmailField, LoginForm, LoginFrame } from './login-frame';

export interface LoginState {
  email: string;
  message: string | null;
}

export function Login({
  action,
  logins,
  passkey = null,
  isReset = false,
}: {
  action: (before: LoginState, form: FormData) => Promise<LoginState>;
  logins: { email: string; who: string }[] | null;
  /** Null where there are no passkeys. */
  passkey?: PasskeyActions | null;
  /** They have just chosen a new password. */
  isReset?: boolean;
}) {
  const [state, send, sending] = useActionState(action, { email: '', message: null });
  return (
    <LoginFrame>
      {isReset && !state.message && (
        <Stack above={5}>
          <Text as="p" tone="good" role="status">
            Your password is changed. Log in with it.
          </Text>
        </Stack>
      )}
      <LoginForm send={send} message={state.message} does="Log in" sending={sending}>
        <EmailField typed={state.email} />
        <Field label="Password">
          {(control) => <Input {...control} name="password" type="password" autoComplete="current-password" required />}
        </Field>
      </LoginForm>
      <Row above={4}>
        {passkey && <PasskeyButton actions={passkey} />}
        <LinkButton look="link" href="/forgot">
          Forgot your password?
        </LinkButton>
      </Row>
      {logins && (
        <Stack as="section" gap={0.5} above={7}>
          <Heading>The demo brokerage: one click, password urraca-demo</Heading>
          {logins.map(({ email, who }) => (
            <form key={email} action={send}>
              <input type="hidden" name="email" value={email} />
              <input type="hidden" name="password" value="urraca-demo" />
              <LoginChoice type="submit" disabled={sending}>
                <span>{email}</span>
                <Text tone="soft">{who}</Text>
              </LoginChoice>
            </form>
          ))}
        </Stack>
      )}
    </LoginFrame>
  );
}

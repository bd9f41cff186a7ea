'use client';
/** The login. In the demo it shows whom one can be. */
import { useActionState } from 'react';
import { Bird } from '../primitives';
import { Button, Field, Heading, Input, LoginChoice, LoginMark, LoginPage, Stack, Text } from '../kit';

export interface LoginState {
  email: string;
  message: string | null;
}

export function Login({
  action,
  logins,
}: {
  action: (before: LoginState, form: FormData) => Promise<LoginState>;
  logins: { email: string; who: string }[] | null;
}) {
  const [state, send, sending] = useActionState(action, { email: '', message: null });
  return (
    <LoginPage>
      <LoginMark>
        <Heading level={1}>urraca</Heading>
        <Bird />
      </LoginMark>
      <form action={send}>
        <Stack gap={3.5} above={5}>
          {state.message && (
            <Text as="p" tone="late" role="alert">
              {state.message}
            </Text>
          )}
          <Field label="Email">
            {(control) => (
              <Input
                {...control}
                name="email"
                type="email"
                autoComplete="username"
                required
                defaultValue={state.email}
                key={state.email}
                autoFocus
              />
            )}
          </Field>
          <Field label="Password">
            {(control) => <Input {...control} name="password" type="password" autoComplete="current-password" required />}
          </Field>
          <Button type="submit" look="main" disabled={sending}>
            {sending ? 'One moment…' : 'Log in'}
          </Button>
        </Stack>
      </form>
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
    </LoginPage>
  );
}

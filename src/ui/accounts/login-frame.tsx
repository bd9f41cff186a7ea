'use client';
/** What stands around everything before one is logged in: the name, the bird, one form and what it says. */
import { startTransition, type FormEvent, type ReactNode } from 'react';
import { Bird } from '../primitives';
import { Button, Field, Heading, Input, LoginMark, LoginPage, Stack, Text } from '../kit';

export function LoginFrame({ children }: { children: ReactNode }) {
  return (
    <LoginPage>
      <LoginMark>
        <Heading level={1}>urraca</Heading>
        <Bird />
      </LoginMark>
      {children}
    </LoginPage>
  );
}

/** @param message what was wrong with the last try */
export function LoginForm({
  send,
  message,
  does,
  sending,
  children,
}: {
  send: (form: FormData) => void;
  message: string | null;
  does: string;
  sending: boolean;
  children: ReactNode;
}) {
  /* With a script what was typed stays where it is: an action that is done empties its form. */
  const stay = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const filled = new FormData(event.currentTarget);
    startTransition(() => send(filled));
  };
  return (
    <form action={send} onSubmit={stay}>
      <Stack gap={3.5} above={5}>
        {message && (
          <Text as="p" tone="late" role="alert">
            {message}
          </Text>
        )}
        {children}
        <Button type="submit" look="main" disabled={sending}>
          {sending ? 'One moment…' : does}
        </Button>
      </Stack>
    </form>
  );
}

/** The address that somebody logs in with. @param typed in the last try */
export const EmailField = ({ typed }: { typed: string }) => (
  <Field label="Email">
    {(control) => (
      <Input {...control} name="email" type="email" autoComplete="username" required defaultValue={typed} key={typed} autoFocus />
    )}
  </Field>
);

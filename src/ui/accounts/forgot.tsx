'use client';
/** A forgotten password: by its address one asks for a link, and chooses a new one there. Whether the address has a login is not told. */
import { useActionState } from 'react';
import { Heading, LinkButton, Row, Stack, Text } from '../kit';
import { EmailField, LoginForm, LoginFrame } from './login-frame';

export interface ForgotState {
  email: string;
  asked: boolean;
  message: string | null;
}

export function Forgot({
  action,
  minutes,
}: {
  action: (before: ForgotState, form: FormData) => Promise<ForgotState>;
  minutes: number;
}) {
  const [{ email, asked, message }, send, sending] = useActionState(action, { email: '', asked: false, message: null });
  return (
    <LoginFrame>
      <Stack above={5} gap={2}>
        <Heading>Forgot your password?</Heading>
        {asked ? (
          <Text as="p" role="status">
            If {email} has a login here, a link is on its way. It works once, for {minutes} minutes. Nothing there? Check your
            spam folder, or ask an owner or admin of your office which address your login has.
          </Text>
        ) : (
          <Text as="p" tone="soft">
            Enter the email address you log in with. We’ll send you a link to choose a new password.
          </Text>
        )}
      </Stack>
      {!asked && (
        <LoginForm send={send} message={message} does="Send link" sending={sending}>
          <EmailField typed={email} />
        </LoginForm>
      )}
      <Row above={4}>
        <LinkButton look="link" href="/login">
          Back to login
        </LinkButton>
      </Row>
    </LoginFrame>
  );
}

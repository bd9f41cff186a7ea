'use client';
/** Accepting an invitation: one's name, and a password of one's own. */
import { useActionState } from 'react';
import { Heading, LinkButton, Row, Stack, Text } from '../kit';
import { NO_TRY, type FormAction } from './action-state';
import { LoginForm, LoginFrame } from './login-frame';
import { PasswordField } from './password-field';
import { PlainField } from './plain-field';

export interface JoinInvitation {
  brokerage: string;
  invitedBy: string;
  email: string;
  firstName: string;
  lastName: string;
}

export function Join({ action, invited }: { action: FormAction; invited: JoinInvitation }) {
  const { brokerage, invitedBy, email, firstName, lastName } = invited;
  const [state, send, sending] = useActionState(action, { ...NO_TRY, typed: { first_name: firstName, last_name: lastName } });
  return (
    <LoginFrame>
      <Stack above={5} gap={2}>
        <Heading>Join {brokerage}</Heading>
        <Text as="p" tone="soft">
          {invitedBy} invited you. You’ll log in with {email}.
        </Text>
      </Stack>
      <LoginForm send={send} message={state.message} does="Join" sending={sending}>
        <input type="hidden" name="username" autoComplete="username" value={email} readOnly />
        <Row gap={3} wrap={false}>
          <PlainField state={state} name="first_name" label="First name" autoComplete="given-name" required maxLength={80} />
          <PlainField state={state} name="last_name" label="Last name" autoComplete="family-name" maxLength={80} />
        </Row>
        <PasswordField label="Choose a password" error={state.errors.password} autoFocus />
      </LoginForm>
    </LoginFrame>
  );
}

/** The invitation was used or withdrawn, or is too old. */
export function JoinEnded() {
  return (
    <LoginFrame>
      <Stack above={5} gap={3}>
        <Heading>This invitation no longer works</Heading>
        <Text as="p" tone="soft">
          It was used already, withdrawn, or it’s too old. If you’ve joined already, log in. If not, ask for a new invitation.
        </Text>
        <LinkButton look="main" href="/login">
          Log in
        </LinkButton>
      </Stack>
    </LoginFrame>
  );
}

'use client';
/** A brokerage begins: who it is, where, and who owns it. */
import { useActionState, useState } from 'react';
import { US_STATES, US_ZONES } from '@/core/accounts';
import { Field, Heading, LinkButton, Row, Select, Stack, Text } from '../kit';
import { NO_TRY, type FormAction } from './action-state';
import { LoginForm, LoginFrame } from './login-frame';
import { PasswordField } from './password-field';
import { PlainField } from './plain-field';
import { StatesField } from './states-field';

const zoneOf = (state: string | undefined): string | undefined => US_STATES.find(({ code }) => code === state)?.zone;

export function Welcome({ action }: { action: FormAction }) {
  const [state, send, sending] = useActionState(action, NO_TRY);
  const [states, setStates] = useState<string[]>([]);
  const [zone, setZone] = useState('');
  return (
    <LoginFrame>
      <Stack above={5} gap={2}>
        <Heading>Set up your brokerage</Heading>
        <Text as="p" tone="soft">
          Two minutes, then you can bring your contacts and your first leads.
        </Text>
      </Stack>
      <LoginForm send={send} message={state.message} does="Set up" sending={sending}>
        <PlainField
          state={state}
          name="code"
          label="One-time code"
          help="It’s in the terminal where Urraca was started."
          autoComplete="one-time-code"
          required
          autoFocus
        />
        <PlainField
          state={state}
          name="brokerage"
          label="Brokerage or team name"
          autoComplete="organization"
          required
          maxLength={120}
        />
        <StatesField
          label="States you’re licensed in"
          name="states"
          chosen={states}
          error={state.errors.states}
          onChange={(next) => {
            setStates(next);
            setZone((now) => (now && now !== zoneOf(states[0]) ? now : (zoneOf(next[0]) ?? '')));
          }}
        />
        <Field label="Time zone" error={state.errors.time_zone}>
          {(control) => (
            <Select {...control} name="time_zone" width="100%" value={zone} onChange={(event) => setZone(event.target.value)}>
              <option value="">Choose a time zone</option>
              {US_ZONES.map((one) => (
                <option key={one.zone} value={one.zone}>
                  {one.name}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Row gap={3} wrap={false}>
          <PlainField state={state} name="first_name" label="Your first name" autoComplete="given-name" required maxLength={80} />
          <PlainField state={state} name="last_name" label="Last name" autoComplete="family-name" maxLength={80} />
        </Row>
        <PlainField state={state} name="email" label="Your email" type="email" autoComplete="username" required maxLength={254} />
        <PasswordField label="Password" error={state.errors.password} />
      </LoginForm>
    </LoginFrame>
  );
}

/** There is no code to begin with: a brokerage is here already, or the code ran out. */
export function WelcomeClosed({ founded }: { founded: boolean }) {
  return (
    <LoginFrame>
      <Stack above={5} gap={3}>
        <Heading>{founded ? 'Urraca is set up already' : 'This code ran out'}</Heading>
        <Text as="p" tone="soft">
          {founded
            ? 'Log in, or ask an owner or admin for an invitation.'
            : 'Stop Urraca in its terminal and start it again. It prints a new one-time code.'}
        </Text>
        {founded && (
          <LinkButton look="main" href="/login">
            Log in
          </LinkButton>
        )}
      </Stack>
    </LoginFrame>
  );
}

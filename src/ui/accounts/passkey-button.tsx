'use client';
/** Logging in by a passkey: one button, and what was wrong below it. */
import { useState, useTransition } from 'react';
import { Button, Stack, Text } from '../kit';
import { logInByPasskey, type PasskeyActions } from './passkey-login';

export function PasskeyButton({ actions }: { actions: PasskeyActions }) {
  const [message, setMessage] = useState<string | null>(null);
  const [busy, start] = useTransition();
  return (
    <Stack gap={1}>
      <Button disabled={busy} onClick={() => start(async () => setMessage(await logInByPasskey(actions)))}>
        Log in with a passkey
      </Button>
      {message && (
        <Text tone="late" small role="alert">
          {message}
        </Text>
      )}
    </Stack>
  );
}

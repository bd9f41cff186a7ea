'use client';
/** Setting up the second step before anything else, where the office asks for it. */
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { FormatChoice } from '@/core/format';
import { ClockProvider, FormatProvider } from '../primitives';
import { Button, Heading, LinkButton, Row, Stack, Text, ToastProvider } from '../kit';
import { ConfirmPassword } from './confirm-password';
import { LoginFrame } from './login-frame';
import { Passkeys } from './passkeys';
import { TwoStep } from './two-step';

/** @param done they have one already */
export function TwoStepFirst({ done, format, zone, now }: { done: boolean; format: FormatChoice; zone: string; now: string }) {
  const router = useRouter();
  const [queries] = useState(() => new QueryClient());
  /* Anew from the server, which lets them in now. */
  const goOn = () => router.push('/');
  const logOut = async () => {
    await fetch('/logout', { method: 'POST' });
    router.push('/login');
  };
  return (
    <QueryClientProvider client={queries}>
      <FormatProvider choice={format}>
        <ClockProvider now={now} held={false} zone={zone}>
          <ToastProvider>
            <LoginFrame>
              <Stack above={5} gap={6}>
                <Stack gap={2}>
                  <Heading>One more thing</Heading>
                  <Text as="p" tone="soft">
                    Set this up before you go on. It takes a minute, once.
                  </Text>
                </Stack>
                <TwoStep onDone={goOn} />
                <Passkeys onDone={goOn} />
                <Row>
                  {done && (
                    <LinkButton look="main" href="/">
                      Continue
                    </LinkButton>
                  )}
                  <Button look="text" onClick={() => void logOut()}>
                    Log out
                  </Button>
                </Row>
              </Stack>
            </LoginFrame>
            <ConfirmPassword />
          </ToastProvider>
        </ClockProvider>
      </FormatProvider>
    </QueryClientProvider>
  );
}

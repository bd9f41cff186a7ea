'use client';
/** The second step of one's own login: an authenticator app, set up by its first code; recovery codes for when the phone is lost. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask, useFormat, useZone, type ApiAnswer } from '../primitives';
import {
  Button,
  CodeText,
  Dialog,
  Heading,
  InlineForm,
  QrImage,
  Row,
  Stack,
  Text,
  TextFormField,
  useSaveForm,
  useToast,
} from '../kit';

export const SECURITY = ['login-security'];
export const useSecurity = () => useQuery({ queryKey: SECURITY, queryFn: () => ask('GET /login-security') });

/** @param onDone the app is on, and the codes were seen */
export function TwoStep({ onDone }: { onDone?: () => void }) {
  const { data: security } = useSecurity();
  const queries = useQueryClient();
  const toast = useToast();
  const [setup, setSetup] = useState<ApiAnswer<'POST /totp'> | null>(null);
  const [codes, setCodes] = useState<string[] | null>(null);
  const heard = () => queries.invalidateQueries({ queryKey: SECURITY });
  const begin = useMutation({ mutationFn: () => ask('POST /totp'), onSuccess: setSetup, onError: toast.fail });
  if (!security) return null;
  const shown = (recovery: string[]) => {
    setSetup(null);
    setCodes(recovery);
    void heard();
  };
  return (
    <section aria-label="Two-step login">
      <Heading>Two-step login</Heading>
      <Stack gap={3}>
        {codes ? (
          <RecoveryCodes
            codes={codes}
            onSeen={() => {
              setCodes(null);
              onDone?.();
            }}
          />
        ) : security.totp_since ? (
          <AppOn security={security} onCodes={setCodes} onOff={() => void heard()} />
        ) : setup ? (
          <ScanAndType setup={setup} onCodes={shown} />
        ) : (
          <>
            <Text as="p">
              {security.required
                ? 'Your office asks for it: after your password you type a code from an app on your phone.'
                : 'After your password you type a code from an app on your phone. Nobody gets in with your password alone.'}
            </Text>
            <Row>
              <Button disabled={begin.isPending} onClick={() => begin.mutate()}>
                Set up an authenticator app
              </Button>
            </Row>
          </>
        )}
      </Stack>
    </section>
  );
}

function ScanAndType({ setup, onCodes }: { setup: ApiAnswer<'POST /totp'>; onCodes: (codes: string[]) => void }) {
  const form = useSaveForm({
    values: { code: '' },
    save: (body) => ask('PUT /totp', { body }),
    onSaved: ({ recovery_codes }) => onCodes(recovery_codes),
  });
  return (
    <>
      <Text as="p">Scan this with your authenticator app. Then type the six digits it shows.</Text>
      <QrImage svg={setup.qr} alt="QR code for your authenticator app" />
      <Text small tone="soft" block>
        Can’t scan? Type this key into the app: <CodeText>{setup.secret.replace(/(.{4})(?=.)/g, '$1 ')}</CodeText>
      </Text>
      <InlineForm form={form} does="Turn on" may={form.form.watch('code').trim() !== ''}>
        <TextFormField name="code" label="Six-digit code" autoComplete="one-time-code" inputMode="numeric" autoFocus />
      </InlineForm>
    </>
  );
}

function AppOn({
  security,
  onCodes,
  onOff,
}: {
  security: ApiAnswer<'GET /login-security'>;
  onCodes: (codes: string[]) => void;
  onOff: () => void;
}) {
  const format = useFormat();
  const zone = useZone();
  const toast = useToast();
  const [leaving, setLeaving] = useState(false);
  const renew = useMutation({
    mutationFn: () => ask('POST /recovery-codes'),
    onSuccess: ({ recovery_codes }) => {
      onCodes(recovery_codes);
      onOff();
    },
    onError: toast.fail,
  });
  const off = useMutation({
    mutationFn: () => ask('DELETE /totp'),
    onSuccess: () => {
      setLeaving(false);
      toast.tell('The authenticator app is off.');
      onOff();
    },
  });
  const left = security.recovery_codes_left;
  return (
    <>
      <Text as="p">
        On since {format.longDay(new Date(security.totp_since!), zone)}.{' '}
        {left === 1 ? '1 recovery code' : `${left} recovery codes`} left.
      </Text>
      <Row>
        <Button disabled={renew.isPending} onClick={() => renew.mutate()}>
          New recovery codes
        </Button>
        <Button onClick={() => setLeaving(true)}>Turn off…</Button>
      </Row>
      {leaving && (
        <Dialog
          title="Turn off the authenticator app?"
          onClose={() => setLeaving(false)}
          onSubmit={() => off.mutate()}
          does="Turn off"
          warn
          busy={off.isPending}
          error={off.error}
        >
          <p>Your password alone will be enough to log in, and your recovery codes stop working.</p>
        </Dialog>
      )}
    </>
  );
}

function RecoveryCodes({ codes, onSeen }: { codes: string[]; onSeen: () => void }) {
  const toast = useToast();
  const copy = async () => {
    await navigator.clipboard.writeText(codes.join('\n'));
    toast.tell('Copied.');
  };
  return (
    <>
      <Text as="p">
        <b>Save these recovery codes.</b> Each one logs you in once if you lose your phone. You won’t see them again.
      </Text>
      <CodeText>{codes.join('\n')}</CodeText>
      <Row>
        <Button onClick={() => void copy()}>Copy</Button>
        <Button look="main" onClick={onSeen}>
          I saved them
        </Button>
      </Row>
    </>
  );
}

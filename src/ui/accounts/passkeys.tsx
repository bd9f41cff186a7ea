'use client';
/** One's passkeys: logging in by a fingerprint, a face or the lock of the device, without a password. */
import { useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { startRegistration, type PublicKeyCredentialCreationOptionsJSON } from '@simplewebauthn/browser';
import { ask, useFormat, useZone } from '../primitives';
import { Button, FormDialog, Heading, ListLine, Row, Text, TextFormField, useSaveForm, useToast } from '../kit';
import { SECURITY, useSecurity } from './two-step';

export function Passkeys({ onDone }: { onDone?: () => void }) {
  const { data: security } = useSecurity();
  const queries = useQueryClient();
  const toast = useToast();
  const format = useFormat();
  const zone = useZone();
  const [adding, setAdding] = useState(false);
  const heard = () => queries.invalidateQueries({ queryKey: SECURITY });
  const remove = useMutation({
    mutationFn: (id: string) => ask('DELETE /passkeys/{id}', { params: { id } }),
    onSuccess: () => {
      toast.tell('Passkey removed.');
      void heard();
    },
    onError: toast.fail,
  });
  if (!security?.passkeys_work) return null;
  const day = (at: string) => format.longDay(new Date(at), zone);
  return (
    <section aria-label="Passkeys">
      <Heading>Passkeys</Heading>
      <Text as="p" tone="soft">
        Log in with your fingerprint, your face, or your device’s lock instead of a password.
      </Text>
      {security.passkeys.map(({ id, name, created_at, last_used_at }) => (
        <ListLine
          key={id}
          end={
            <Button size="small" aria-label={`Remove ${name}`} disabled={remove.isPending} onClick={() => remove.mutate(id)}>
              Remove
            </Button>
          }
        >
          <Text strong>{name}</Text>
          <Text tone="soft" small block>
            Added {day(created_at)} · {last_used_at ? `last used ${day(last_used_at)}` : 'not used yet'}
          </Text>
        </ListLine>
      ))}
      <Row above={3}>
        <Button onClick={() => setAdding(true)}>Add a passkey</Button>
      </Row>
      {adding && (
        <AddPasskey
          onClose={() => setAdding(false)}
          onAdded={() => {
            setAdding(false);
            toast.tell('Passkey added.');
            void heard();
            onDone?.();
          }}
        />
      )}
    </section>
  );
}

function AddPasskey({ onClose, onAdded }: { onClose: () => void; onAdded: () => void }) {
  const form = useSaveForm({
    values: { name: 'This device' },
    save: async ({ name }) => {
      const { options } = await ask('POST /passkeys/challenge');
      const optionsJSON = options as PublicKeyCredentialCreationOptionsJSON;
      const response = await startRegistration({ optionsJSON }).catch(() => null);
      if (!response) throw new Error('Your device didn’t make a passkey. Try again.');
      await ask('POST /passkeys', { body: { name, response: { ...response } } });
    },
    onSaved: onAdded,
  });
  return (
    <FormDialog title="Add a passkey" form={form} does="Continue" onClose={onClose}>
      <TextFormField name="name" label="Name" help="So you know which device it’s on." />
    </FormDialog>
  );
}

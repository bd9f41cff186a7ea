'use client';
/** One's own login: the second step, passkeys, a new password, and the devices that one is logged in on, each of which can be logged out. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { SessionView } from '@/core/accounts';
import type { Jsoned } from '@/core/shared';
import { ask, useFormat, useZone } from '../primitives';
import {
  Button,
  Checkbox,
  Dialog,
  Heading,
  InlineForm,
  ListLine,
  Stack,
  Text,
  TextFormField,
  useSaveForm,
  useToast,
} from '../kit';

import { Passkeys } from './passkeys';
import { TwoStep } from './two-step';

const SESSIONS = ['sessions'];

export function LoginDialog({ onClose }: { onClose: () => void }) {
  return (
    <Dialog title="Login and security" width="sm" onClose={onClose}>
      <Stack gap={6}>
        <TwoStep />
        <Passkeys />
        <NewPassword />
        <Devices />
      </Stack>
    </Dialog>
  );
}

const EMPTY = { current_password: '', new_password: '' };

function NewPassword() {
  const toast = useToast();
  const queries = useQueryClient();
  const [shown, setShown] = useState(false);
  const form = useSaveForm({
    values: EMPTY,
    save: (body) => ask('PUT /password', { body }),
    onSaved: () => {
      form.form.reset(EMPTY);
      void queries.invalidateQueries({ queryKey: SESSIONS });
      toast.tell('Password changed. Your other devices were logged out.');
    },
  });
  const { current_password, new_password } = form.form.watch();
  const type = shown ? 'text' : 'password';
  return (
    <section aria-label="Change password">
      <Heading>Change password</Heading>
      <InlineForm form={form} does="Change password" may={current_password !== '' && new_password !== ''}>
        <Stack gap={3} width={480}>
          <TextFormField name="current_password" label="Current password" type={type} autoComplete="current-password" />
          <TextFormField
            name="new_password"
            label="New password"
            type={type}
            autoComplete="new-password"
            help="At least 10 characters. A few words that don’t belong together are best."
          />
          <Checkbox checked={shown} onChange={(event) => setShown(event.target.checked)}>
            Show passwords
          </Checkbox>
        </Stack>
      </InlineForm>
    </section>
  );
}

function Devices() {
  const toast = useToast();
  const queries = useQueryClient();
  const { data: sessions } = useQuery({ queryKey: SESSIONS, queryFn: async () => (await ask('GET /sessions')).items });
  const heard = () => void queries.invalidateQueries({ queryKey: SESSIONS });
  const end = useMutation({
    mutationFn: (id: string) => ask('DELETE /sessions/{id}', { params: { id } }),
    onSuccess: heard,
    onError: toast.fail,
  });
  const endOthers = useMutation({
    mutationFn: () => ask('DELETE /sessions'),
    onSuccess: ({ ended }) => {
      heard();
      toast.tell(ended === 1 ? 'One other device was logged out.' : `${ended} other devices were logged out.`);
    },
    onError: toast.fail,
  });
  return (
    <section aria-label="Devices">
      <Heading>Devices you’re logged in on</Heading>
      {sessions?.map((session) => (
        <Device key={session.id} session={session} busy={end.isPending} onEnd={() => end.mutate(session.id)} />
      ))}
      {sessions && sessions.length > 1 && (
        <Stack above={3}>
          <Button disabled={endOthers.isPending} onClick={() => endOthers.mutate()}>
            Log out everywhere else
          </Button>
        </Stack>
      )}
    </section>
  );
}

function Device({ session, busy, onEnd }: { session: Jsoned<SessionView>; busy: boolean; onEnd: () => void }) {
  const format = useFormat();
  const zone = useZone();
  const { device, from, current, created_at, last_seen_at } = session;
  const at = (instant: string) => format.dayAndTime(new Date(instant), zone);
  return (
    <ListLine
      end={
        current ? (
          <Text tone="good" small>
            This device
          </Text>
        ) : (
          <Button size="small" aria-label={`Log out ${device}, ${from}`} disabled={busy} onClick={onEnd}>
            Log out
          </Button>
        )
      }
    >
      <Text strong>{device}</Text>
      <Text tone="soft" small block>
        {from} · since {at(created_at)}
        {!current && ` · last used ${at(last_seen_at)}`}
      </Text>
    </ListLine>
  );
}

'use client';
/** The mail server that email goes out by: entered, tried by an email to whoever enters it, taken away. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { MailConnectionView } from '@/core/accounts';
import { ask } from '../primitives';
import { Button, FormDialog, ListLine, Row, Skeleton, Text, TextFormField, useSaveForm, useToast } from '../kit';
import { Block } from './block';

/** While it is being tried. */
const AGAIN_MS = 1_500;
type Own = NonNullable<MailConnectionView['own']>;

const STATES: Record<Own['state'], { words: string; tone: 'good' | 'late' | 'soft' }> = {
  works: { words: 'Connected', tone: 'good' },
  checking: { words: 'Sending you a test email…', tone: 'soft' },
  fails: { words: 'Not working', tone: 'late' },
};

export function MailServer() {
  const queries = useQueryClient();
  const toast = useToast();
  const [editing, setEditing] = useState(false);
  const { data } = useQuery({
    queryKey: ['mail connection'],
    queryFn: () => ask('GET /mail-connection'),
    refetchInterval: ({ state }) => (state.data?.own?.state === 'checking' ? AGAIN_MS : false),
  });
  const heard = () => queries.invalidateQueries({ queryKey: ['mail connection'] });
  const remove = useMutation({
    mutationFn: () => ask('DELETE /mail-connection'),
    onSuccess: () => {
      toast.tell('Disconnected.');
      return heard();
    },
    onError: toast.fail,
  });
  return (
    <Block
      title="Mail server"
      note="Campaigns, replies and invitations go out by it. Your email provider calls these settings SMTP."
    >
      {!data && <Skeleton lines={2} />}
      {data && !data.own && (
        <ListLine
          end={<Button onClick={() => setEditing(true)}>{data.by_installation ? 'Use your own' : 'Connect email'}</Button>}
        >
          {data.by_installation ? (
            'Email goes out by the mail server that Urraca was set up with.'
          ) : (
            <Text tone="late">Not connected. No email goes out yet.</Text>
          )}
        </ListLine>
      )}
      {data?.own && (
        <ListLine
          end={
            <>
              <Button size="small" onClick={() => setEditing(true)}>
                Edit
              </Button>
              <Button size="small" onClick={() => remove.mutate()} disabled={remove.isPending}>
                Disconnect
              </Button>
            </>
          }
        >
          <Text strong>{data.own.from_address}</Text>{' '}
          <Text tone="soft" small>
            by {data.own.host}:{data.own.port}
          </Text>
          <Text block small role="status" tone={STATES[data.own.state].tone}>
            {STATES[data.own.state].words}
            {data.own.error && `: ${data.own.error}.`}
          </Text>
        </ListLine>
      )}
      {editing && (
        <MailServerDialog
          first={data?.own ?? null}
          onSaved={() => {
            setEditing(false);
            void heard();
          }}
          onClose={() => setEditing(false)}
        />
      )}
    </Block>
  );
}

function MailServerDialog({ first, onSaved, onClose }: { first: Own | null; onSaved: () => void; onClose: () => void }) {
  const form = useSaveForm({
    values: {
      from_address: first?.from_address ?? '',
      host: first?.host ?? '',
      port: String(first?.port ?? 587),
      username: first?.username ?? '',
      password: '',
    },
    save: ({ password, port, ...rest }) =>
      ask('PUT /mail-connection', { body: { ...rest, port: Number(port) || 0, ...(password && { password }) } }),
    onSaved,
  });
  return (
    <FormDialog
      title={first ? 'Edit mail server' : 'Connect email'}
      form={form}
      does="Save and test"
      onClose={onClose}
      note={
        <Text tone="soft" small>
          A test email goes to you.
        </Text>
      }
    >
      <TextFormField
        name="from_address"
        label="Emails come from"
        inputMode="email"
        placeholder="hello@yours.example"
        autoFocus
        maxLength={254}
      />
      <Row gap={3} wrap={false} align="start">
        <TextFormField name="host" label="Server" placeholder="smtp.yours.example" maxLength={253} />
        <TextFormField name="port" label="Port" inputMode="numeric" help="587 or 465" maxLength={5} />
      </Row>
      <TextFormField name="username" label="Username" maxLength={254} />
      <TextFormField
        name="password"
        label="Password"
        type="password"
        autoComplete="new-password"
        help={first ? 'Leave it empty to keep the one it has.' : 'Many providers make an app password for this.'}
        maxLength={1000}
      />
    </FormDialog>
  );
}

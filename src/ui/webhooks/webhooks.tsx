'use client';
/** Webhooks: where other programs listen, for what, whether it gets through; added with a secret that is shown once, tried, switched, removed. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { WebhookView } from '@/core/webhooks';
import type { Jsoned } from '@/core/shared';
import { ask } from '../primitives';
import { Ago, Button, Callout, Dialog, ListLine, MenuButton, Row, Section, Text, useToast } from '../kit';
import { DeliveriesDialog } from './deliveries';
import { WebhookDialog } from './webhook-dialog';

type Hook = Jsoned<WebhookView>;
const WEBHOOKS = ['webhooks'];

export function Webhooks() {
  const queries = useQueryClient();
  const toast = useToast();
  const { data: hooks } = useQuery({ queryKey: WEBHOOKS, queryFn: async () => (await ask('GET /webhooks')).items });
  const [editing, setEditing] = useState<Hook | 'new' | null>(null);
  const [logOf, setLogOf] = useState<Hook | null>(null);
  const [removing, setRemoving] = useState<Hook | null>(null);
  const [secret, setSecret] = useState<string | null>(null);
  const heard = () => void queries.invalidateQueries({ queryKey: WEBHOOKS });
  const turn = useMutation({
    mutationFn: ({ id, on }: { id: string; on: boolean }) => ask('PATCH /webhooks/{id}', { params: { id }, body: { on } }),
    onSuccess: heard,
    onError: toast.fail,
  });
  const rotate = useMutation({
    mutationFn: (id: string) => ask('POST /webhooks/{id}/secret', { params: { id } }),
    onSuccess: (made) => setSecret(made.secret),
    onError: toast.fail,
  });
  const test = useMutation({
    mutationFn: (hook: Hook) => ask('POST /webhooks/{id}/test', { params: { id: hook.id } }),
    onSuccess: (_, hook) => setLogOf(hook),
    onError: toast.fail,
  });
  const remove = useMutation({
    mutationFn: (id: string) => ask('DELETE /webhooks/{id}', { params: { id } }),
    onSuccess: () => {
      setRemoving(null);
      heard();
    },
  });
  return (
    <Section
      title="Webhooks"
      aria-label="Webhooks"
      id="webhooks"
      tabIndex={-1}
      end={
        <Button size="tiny" onClick={() => setEditing('new')}>
          Add a webhook
        </Button>
      }
    >
      <Text as="p" tone="soft">
        Urraca tells another program when something happens, such as a new lead.
      </Text>
      {secret && (
        <Callout role="status">
          Copy the signing secret now. It won’t be shown again: <code>{secret}</code>
        </Callout>
      )}
      {hooks?.map((hook) => (
        <HookLine
          key={hook.id}
          hook={hook}
          onLog={() => setLogOf(hook)}
          choices={[
            { key: 'edit', name: 'Edit…', onChoose: () => setEditing(hook) },
            { key: 'test', name: 'Send a test', onChoose: () => test.mutate(hook) },
            {
              key: 'turn',
              name: hook.state === 'on' ? 'Turn off' : 'Turn on',
              onChoose: () => turn.mutate({ id: hook.id, on: hook.state !== 'on' }),
            },
            { key: 'secret', name: 'New secret', onChoose: () => rotate.mutate(hook.id) },
            { key: 'remove', name: 'Remove…', apart: true, onChoose: () => setRemoving(hook) },
          ]}
        />
      ))}
      {hooks?.length === 0 && (
        <Text tone="soft" small>
          No webhooks yet.
        </Text>
      )}
      {editing && (
        <WebhookDialog
          hook={editing === 'new' ? null : editing}
          onClose={() => setEditing(null)}
          onSaved={(made) => {
            setEditing(null);
            if (made) setSecret(made);
            heard();
          }}
        />
      )}
      {logOf && <DeliveriesDialog hook={logOf} onClose={() => setLogOf(null)} />}
      {removing && (
        <Dialog
          title="Remove this webhook?"
          onClose={() => setRemoving(null)}
          onSubmit={() => remove.mutate(removing.id)}
          does="Remove"
          warn
          busy={remove.isPending}
          error={remove.error}
        >
          <p>{removing.url} hears nothing more, and its log is gone.</p>
        </Dialog>
      )}
    </Section>
  );
}

const STATE_WORDS = { on: null, off: 'off', failing: 'turned off: nothing got through for 5 days' } as const;

function HookLine({
  hook,
  choices,
  onLog,
}: {
  hook: Hook;
  choices: React.ComponentProps<typeof MenuButton>['choices'];
  onLog: () => void;
}) {
  const { url, events, state, last, waiting } = hook;
  return (
    <ListLine
      end={
        <Row>
          <Button size="tiny" aria-label={`Log of ${url}`} onClick={onLog}>
            Log
          </Button>
          <MenuButton size="tiny" choices={choices} aria-label={`More for ${url}`}>
            More
          </MenuButton>
        </Row>
      }
    >
      <Text strong cut block>
        {url}
      </Text>
      <Text tone="soft" small block>
        {events.join(', ')}
        {last && (
          <>
            {' · '}
            {last.ok ? 'delivered' : <Text tone="late">failed</Text>} <Ago at={last.at} />
          </>
        )}
        {waiting > 0 && ` · ${waiting} waiting`}
        {STATE_WORDS[state] && <Text tone="late"> · {STATE_WORDS[state]}</Text>}
      </Text>
    </ListLine>
  );
}

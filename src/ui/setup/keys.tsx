'use client';
/** API keys: made once and shown once, changed for a new one, revoked. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { KEY_SCOPES, type KeyScope, type KeyView } from '@/core/accounts';
import type { Jsoned } from '@/core/shared';
import { ask, freshKey, useFormat, useNow, useZone, when } from '../primitives';
import {
  Button,
  Callout,
  Checkbox,
  Dialog,
  InlineForm,
  ListLine,
  Row,
  SelectFormField,
  Text,
  TextFormField,
  useSaveForm,
  useToast,
} from '../kit';
import { Block } from './block';

type Key = Jsoned<KeyView>;
/** How long an old key works beside the new one. */
const OVERLAP_HOURS = 24;

export function Keys() {
  const { data: keys } = useQuery({ queryKey: ['keys'], queryFn: async () => (await ask('GET /keys')).items });
  const [made, setMade] = useState<string | null>(null);
  const [revoking, setRevoking] = useState<Key | null>(null);
  const queries = useQueryClient();
  const toast = useToast();
  const heard = () => void queries.invalidateQueries({ queryKey: ['keys'] });
  const rotate = useMutation({
    mutationFn: (id: string) =>
      ask('POST /keys/{id}/rotate', { params: { id }, body: { hours: OVERLAP_HOURS }, headers: freshKey() }),
    onSuccess: ({ key }) => {
      setMade(key);
      toast.tell('The old key works for one more day.');
      heard();
    },
    onError: toast.fail,
  });
  const revoke = useMutation({
    mutationFn: (id: string) => ask('DELETE /keys/{id}', { params: { id } }),
    onSuccess: () => {
      setRevoking(null);
      heard();
    },
    onError: toast.fail,
  });
  return (
    <Block title="API keys" note="A key lets another program work with Urraca, within its permissions. It’s shown once.">
      {keys?.map((key) => (
        <KeyLine key={key.id} of={key} onRotate={() => rotate.mutate(key.id)} onRevoke={() => setRevoking(key)} />
      ))}
      {keys?.length === 0 && <Text tone="soft">No keys yet.</Text>}
      {made && (
        <Callout role="status">
          Copy it now. It won’t be shown again: <code>{made}</code>
        </Callout>
      )}
      <NewKey
        onMade={(key) => {
          setMade(key);
          heard();
        }}
      />
      {revoking && (
        <Dialog
          title={`Revoke “${revoking.name}”?`}
          onClose={() => setRevoking(null)}
          onSubmit={() => revoke.mutate(revoking.id)}
          does="Revoke key"
          busy={revoke.isPending}
        >
          <p>Anything using it stops right away.</p>
        </Dialog>
      )}
    </Block>
  );
}

function KeyLine({ of: key, onRotate, onRevoke }: { of: Key; onRotate: () => void; onRevoke: () => void }) {
  const format = useFormat();
  const zone = useZone();
  const now = useNow();
  return (
    <ListLine
      end={
        <>
          {!key.replaced && (
            <Button
              size="small"
              title="Create a new key with the same permissions. The old one works for one more day"
              onClick={onRotate}
            >
              New key
            </Button>
          )}
          <Button size="small" aria-label={`Revoke ${key.name}`} onClick={onRevoke}>
            Revoke
          </Button>
        </>
      }
    >
      <Text strong>{key.name}</Text>{' '}
      <Text tone="soft" small>
        {key.hint}
      </Text>
      <Text tone="soft" small block>
        {key.scopes.length === KEY_SCOPES.length ? 'All permissions' : key.scopes.join(', ')} ·{' '}
        {key.last_used_at ? `last used ${format.dayAndTime(new Date(key.last_used_at), zone)}` : 'never used'}
        {key.door && ` · through the door “${key.door.name}”`}
        {key.owner && ` · ${key.owner}`}
        {key.ends_at && <Text tone="late"> · ends {when(new Date(key.ends_at), now, zone, format)}</Text>}
      </Text>
    </ListLine>
  );
}

function NewKey({ onMade }: { onMade: (key: string) => void }) {
  const { data: doors = [] } = useQuery({ queryKey: ['doors'], queryFn: async () => (await ask('GET /doors')).items });
  const own = doors.filter(({ kind, address }) => kind === 'api' && address);
  const key = useSaveForm({
    values: { name: '', scopes: ['inquiries:write'] as KeyScope[], door_id: '', days: '' },
    save: ({ name, scopes, door_id, days }) =>
      ask('POST /keys', {
        body: { name, scopes, door_id: door_id || null, ...(days && { days: Number(days) }) },
        headers: freshKey(),
      }),
    onSaved: (made) => onMade(made.key),
  });
  const { name, scopes } = key.form.watch();
  const flip = (scope: KeyScope) =>
    key.form.setValue('scopes', scopes.includes(scope) ? scopes.filter((one) => one !== scope) : [...scopes, scope]);
  return (
    <InlineForm form={key} does="Create key" may={name.trim() !== '' && scopes.length > 0}>
      <TextFormField name="name" label="New key name" />
      <SelectFormField name="days" label="Works for">
        <option value="">as long as you keep it</option>
        <option value="30">30 days</option>
        <option value="90">90 days</option>
        <option value="365">1 year</option>
      </SelectFormField>
      <Row role="group" aria-label="Permissions of the key" gap={3}>
        {KEY_SCOPES.map((scope) => (
          <Checkbox key={scope} checked={scopes.includes(scope)} onChange={() => flip(scope)}>
            {scope}
          </Checkbox>
        ))}
      </Row>
      {own.length > 0 && scopes.every((scope) => scope === 'inquiries:write') && (
        <SelectFormField name="door_id" label="Its leads come in through">
          <option value="">the shared door for programs</option>
          {own.map((door) => (
            <option key={door.id} value={door.id}>
              {door.name}
            </option>
          ))}
        </SelectFormField>
      )}
    </InlineForm>
  );
}

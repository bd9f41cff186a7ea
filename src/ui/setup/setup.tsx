'use client';
/** Setup for those who run the office: guardrails and measures, API keys, messages that do not get out, stages and horizons with their meanings, people. */
import { useState } from 'react';
import TextField from '@mui/material/TextField';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { KEY_SCOPES, type KeyScope, type UserView, type SettingsView } from '@/core/accounts';
import type { Jsoned } from '@/core/shared';
import { ask, freshKey, useNow, useZone, when, useFormat } from '../primitives';
import { Block } from './block';
import { Fields } from './fields';
import { Formats } from './formats';
import { Guardrails } from './guardrails';
import { Users } from './users';
import { StageAndHorizon } from './stage-and-horizon';
import { Tags } from './tags';
import '../contacts/contacts.css';
import { Button, Checkbox, Select, useToast } from '../kit';

export function SetupArea({ settings, users }: { settings: SettingsView; users: Jsoned<UserView>[] }) {
  return (
    <>
      <div className="headline">
        <h1>Setup</h1>
      </div>
      <div className="blocks">
        <Guardrails first={settings} />
        <Formats settings={settings} />
        <Keys />
        <Stuck />
        <Tags settings={settings} />
        <Fields />
        <StageAndHorizon kind="stages" />
        <StageAndHorizon kind="horizons" />
        <Users users={users} />
      </div>
    </>
  );
}

function Keys() {
  const format = useFormat();
  const queries = useQueryClient();
  const toast = useToast();
  const { data: keys } = useQuery({
    queryKey: ['keys'],
    queryFn: async () => (await ask('GET /keys')).items,
  });
  const [name, setName] = useState('');
  const [scopes, setScopes] = useState<KeyScope[]>(['inquiries:write']);
  const [made, setMade] = useState<string | null>(null);
  const [doorId, setDoorId] = useState('');
  const zone = useZone();
  const now = useNow();
  const { data: doors = [] } = useQuery({
    queryKey: ['doors'],
    queryFn: async () => (await ask('GET /doors')).items,
  });
  const own = doors.filter(({ kind, address }) => kind === 'api' && address);
  const rotate = useMutation({
    mutationFn: (id: string) => ask('POST /keys/{id}/rotate', { params: { id }, body: { hours: 24 }, headers: freshKey() }),
    onSuccess: ({ key }) => {
      setMade(key);
      toast.tell('The old key works for one more day.');
      void queries.invalidateQueries({ queryKey: ['keys'] });
    },
    onError: toast.fail,
  });
  const make = useMutation({
    mutationFn: () => ask('POST /keys', { body: { name, scopes, door_id: doorId || null }, headers: freshKey() }),
    onSuccess: ({ key }) => {
      setMade(key);
      setName('');
      void queries.invalidateQueries({ queryKey: ['keys'] });
    },
    onError: toast.fail,
  });
  const revoke = useMutation({
    mutationFn: (id: string) => ask('DELETE /keys/{id}', { params: { id } }),
    onSuccess: () => void queries.invalidateQueries({ queryKey: ['keys'] }),
    onError: toast.fail,
  });
  return (
    <Block title="API keys" note="A key lets another program work with Urraca, within its permissions. It’s shown once.">
      {keys?.map((key) => (
        <div key={key.id} className="pair">
          <span>
            <b>{key.name}</b> <span className="soft small">{key.hint}</span>
            <span className="soft small" style={{ display: 'block' }}>
              {key.scopes.length === KEY_SCOPES.length ? 'all rights' : key.scopes.join(', ')} ·{' '}
              {key.last_used_at ? 'used' : 'never used'}
              {key.door && ` · by the door “${key.door.name}”`}
              {key.ends_at && <span className="late"> · ends {when(new Date(key.ends_at), now, zone, format)}</span>}
            </span>
          </span>
          <span className="beside nowrap">
            {!key.ends_at && (
              <Button
                size="small"
                title="Create a new key with the same permissions. The old one works for one more day"
                onClick={() => rotate.mutate(key.id)}
              >
                New key
              </Button>
            )}
            <Button
              size="small"
              onClick={() => window.confirm(`Revoke “${key.name}”? Anything using it stops right away.`) && revoke.mutate(key.id)}
            >
              Revoke
            </Button>
          </span>
        </div>
      ))}
      {made && (
        <p className="because" role="status">
          Copy it now. It won’t be shown again: <code style={{ overflowWrap: 'anywhere' }}>{made}</code>
        </p>
      )}
      <form
        style={{ display: 'grid', gap: 8, marginTop: 12 }}
        onSubmit={(event) => {
          event.preventDefault();
          make.mutate();
        }}
      >
        <TextField label="New key name" value={name} onChange={(event) => setName(event.target.value)} />
        <div>
          {KEY_SCOPES.map((scope) => (
            <label
              key={scope}
              className="small"
              style={{ display: 'inline-flex', gap: 6, marginRight: 14, minHeight: 30, alignItems: 'center' }}
            >
              <Checkbox
                checked={scopes.includes(scope)}
                onChange={() => setScopes(scopes.includes(scope) ? scopes.filter((one) => one !== scope) : [...scopes, scope])}
              />
              {scope}
            </label>
          ))}
        </div>
        {own.length > 0 && scopes.every((scope) => scope === 'inquiries:write') && (
          <label className="small">
            Its leads come in through{' '}
            <Select value={doorId} onChange={(event) => setDoorId(event.target.value)}>
              <option value="">the shared door for programs</option>
              {own.map((door) => (
                <option key={door.id} value={door.id}>
                  {door.name}
                </option>
              ))}
            </Select>
          </label>
        )}
        <div>
          <Button type="submit" disabled={!name.trim() || !scopes.length || make.isPending}>
            Create key
          </Button>
        </div>
      </form>
    </Block>
  );
}

function Stuck() {
  const queries = useQueryClient();
  const toast = useToast();
  const { data: stuck } = useQuery({
    queryKey: ['stuck'],
    queryFn: async () => (await ask('GET /outbox/stuck')).items,
    refetchInterval: 10_000,
  });
  const retry = useMutation({
    mutationFn: () => ask('POST /outbox/retry'),
    onSuccess: ({ retried }) => {
      toast.tell(`${retried.toLocaleString('en-US')} queued to retry.`);
      void queries.invalidateQueries({ queryKey: ['stuck'] });
    },
    onError: toast.fail,
  });
  return (
    <Block title="Messages that can’t be sent" note="If a provider is down, we keep retrying. Nothing is lost or sent twice.">
      {stuck?.length === 0 && <p className="good">Everything is sending.</p>}
      {stuck?.slice(0, 12).map((one) => (
        <div key={one.id} className="pair">
          <span>
            {one.name}, {one.channel}
            <span className="late small" style={{ display: 'block' }}>
              {one.error}
            </span>
          </span>
          <span className="soft small">{one.state === 'parked' ? 'parked' : `${one.attempts} tries`}</span>
        </div>
      ))}
      {stuck && stuck.length > 0 && (
        <Button style={{ marginTop: 10 }} onClick={() => retry.mutate()} disabled={retry.isPending}>
          Retry all now
        </Button>
      )}
    </Block>
  );
}

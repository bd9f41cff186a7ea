'use client';
/** Recording for many what they said to a channel: a yes only with how it was given. */
import { useState } from 'react';
import { CHANNEL_KEYS, CHANNELS, type Channel } from '@/core/contacts';
import type { OnChange } from './selection';
import { Field, Input, Row, Select } from '../kit';

export function PermissionForm({ onChange }: { onChange: OnChange }) {
  const [channel, setChannel] = useState<Channel>('email');
  const [state, setState] = useState<'granted' | 'withdrawn'>('granted');
  const [evidence, setEvidence] = useState('');
  const tell = (next: { channel?: typeof channel; state?: typeof state; evidence?: string }) => {
    const change = { kind: 'permission' as const, channel, state, evidence, ...next };
    onChange(change.state === 'withdrawn' || change.evidence.trim() ? change : null);
  };
  return (
    <>
      <Row>
        They said{' '}
        <Select
          aria-label="Yes or no"
          value={state}
          onChange={(event) => {
            setState(event.target.value as typeof state);
            tell({ state: event.target.value as typeof state });
          }}
        >
          <option value="granted">yes</option>
          <option value="withdrawn">no</option>
        </Select>{' '}
        to{' '}
        <Select
          aria-label="Channel"
          value={channel}
          onChange={(event) => {
            setChannel(event.target.value as typeof channel);
            tell({ channel: event.target.value as typeof channel });
          }}
        >
          {CHANNEL_KEYS.map((one) => (
            <option key={one} value={one}>
              {CHANNELS[one].plural}
            </option>
          ))}
        </Select>
      </Row>
      <Field label="How and where they agreed, for the record">
        {(control) => (
          <Input
            {...control}
            width="100%"
            value={evidence}
            onChange={(event) => {
              setEvidence(event.target.value);
              tell({ evidence: event.target.value });
            }}
          />
        )}
      </Field>
    </>
  );
}

'use client';
/** The guardrails and measures of the account, each a field made from its entry in `SETTINGS`. */
import { useState } from 'react';
import TextField from '@mui/material/TextField';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { SETTING_KEYS, SETTINGS, type Setting, type SettingsView } from '@/core/accounts';
import { ask, wordsOf } from '../primitives';
import { Block } from './block';
import { Button, useToast } from '../kit';

type Value = SettingsView[keyof SettingsView];
const FIELDS = SETTING_KEYS.map((key): Setting => SETTINGS[key]).filter(({ area }) => area === 'guardrails');
const WIDE = { gridColumn: '1 / -1' };

export function Guardrails({ first }: { first: SettingsView }) {
  const [settings, setSettings] = useState(first);
  const toast = useToast();
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: () => {
      const values: Partial<Record<string, Value>> = settings;
      return ask('PATCH /settings', { body: Object.fromEntries(FIELDS.map(({ name }) => [name, values[name]])) });
    },
    onSuccess: (saved) => {
      setSettings(saved);
      void queries.invalidateQueries();
      toast.tell('Saved. It applies from the next touch on.');
    },
  });
  return (
    <Block
      title="Guardrails"
      note="Send times are the contact’s local time, for texts, emails and calls. You can narrow them, not widen them past 8 AM–9 PM: that’s the law. Limits and holidays apply to everything that goes out automatically."
    >
      <form
        style={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(170px, 1fr))', gap: 14, marginTop: 8 }}
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate();
        }}
      >
        {FIELDS.map((setting) => (
          <SettingField
            key={setting.name}
            setting={setting}
            value={(settings as Record<string, Value>)[setting.name]!}
            onChange={(value) => setSettings({ ...settings, [setting.name]: value })}
          />
        ))}
        {save.error && (
          <p className="late" role="alert" style={WIDE}>
            {'fields' in save.error && (save.error.fields as { message: string }[]).length
              ? (save.error.fields as { message: string }[]).map(({ message }) => message).join('; ')
              : wordsOf(save.error)}
          </p>
        )}
        <div style={WIDE}>
          <Button type="submit" look="main" disabled={save.isPending}>
            Save
          </Button>
        </div>
      </form>
    </Block>
  );
}

function SettingField({ setting, value, onChange }: { setting: Setting; value: Value; onChange: (value: Value) => void }) {
  const { kind, label, help } = setting;
  const list = Array.isArray(value) ? value.join(', ') : null;
  const [text, setText] = useState(list ?? String(value));
  const wide = kind.type !== 'time' && kind.type !== 'number';
  return (
    <TextField
      label={label}
      helperText={help}
      type={kind.type === 'time' || kind.type === 'number' ? kind.type : 'text'}
      value={list === null ? value : text}
      onChange={({ target }) => {
        setText(target.value);
        if (list !== null) onChange(target.value.split(/[\s,;]+/).filter(Boolean));
        else onChange(kind.type === 'number' ? Math.round(Number(target.value)) : target.value);
      }}
      style={wide ? WIDE : undefined}
      fullWidth
    />
  );
}

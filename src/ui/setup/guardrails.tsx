'use client';
/** The guardrails and measures of the account, each a field made from its entry in `SETTINGS`. */
import { useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { SETTING_KEYS, SETTINGS, type Setting, type SettingsView } from '@/core/accounts';
import { ask, Problem } from '../primitives';
import { Button, Columns, ErrorMessage, Field, Input, NumberField, Stack, TimeField, useToast } from '../kit';
import { Block } from './block';
import { HolidaysField } from './holidays-field';

type Value = SettingsView[keyof SettingsView];
const FIELDS = SETTING_KEYS.map((key): Setting => SETTINGS[key]).filter(({ area }) => area === 'guardrails');
const isWide = ({ kind }: Setting) => kind.type !== 'time' && kind.type !== 'number';

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
  const faulty = save.error instanceof Problem ? save.error.fields : [];
  const errorOf = (name: string) => faulty.find(({ field }) => field === name || field.startsWith(`${name}.`))?.message;
  const field = (setting: Setting) => (
    <SettingField
      key={setting.name}
      setting={setting}
      error={errorOf(setting.name)}
      value={(settings as Record<string, Value>)[setting.name]!}
      onChange={(value) => setSettings({ ...settings, [setting.name]: value })}
    />
  );
  return (
    <Block
      title="Send times and limits"
      note="Send times are the contact’s local time, for texts, emails and calls. You can narrow them, not widen them past 8 AM–9 PM: that’s the law. Limits and holidays apply to everything that goes out automatically."
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate();
        }}
      >
        <Stack gap={4} above={2}>
          <Columns least={180} gap={4}>
            {FIELDS.filter((setting) => !isWide(setting)).map(field)}
          </Columns>
          {FIELDS.filter(isWide).map(field)}
          {faulty.every((one) => FIELDS.every(({ name }) => !one.field.startsWith(name))) && <ErrorMessage error={save.error} />}
          <div>
            <Button type="submit" look="main" disabled={save.isPending}>
              Save
            </Button>
          </div>
        </Stack>
      </form>
    </Block>
  );
}

function SettingField({
  setting: { kind, label = '', help },
  error,
  value,
  onChange,
}: {
  setting: Setting;
  error?: string;
  value: Value;
  onChange: (value: Value) => void;
}) {
  const wrong = error && `${label} ${error}`;
  if (kind.type === 'time')
    return (
      <Field label={label} help={help}>
        {({ id }) => (
          <TimeField id={id} label={label} value={String(value)} error={wrong} onChange={(time) => time && onChange(time)} />
        )}
      </Field>
    );
  if (kind.type === 'number')
    return (
      <Field label={label} help={help}>
        {({ id }) => (
          <NumberField
            id={id}
            label={label}
            value={Number(value)}
            error={wrong}
            onChange={(number) => number !== null && onChange(Math.round(number))}
          />
        )}
      </Field>
    );
  if (kind.type === 'days')
    return (
      <Field label={label} help={help} error={wrong}>
        {({ id }) => <HolidaysField id={id} days={value as readonly string[]} onChange={onChange} />}
      </Field>
    );
  return (
    <Field label={label} help={help} error={wrong}>
      {(control) => <Input {...control} width="100%" value={String(value)} onChange={({ target }) => onChange(target.value)} />}
    </Field>
  );
}

'use client';
/** Setting a field of the account's own for many: which one, and to what. */
import { useState } from 'react';
import type { FieldDef } from '@/core/segments';
import type { OnChange } from './selection';
import { Checkbox, DateField, Field, Input, Select, Stack, Text } from '../kit';

export function SetFieldForm({ fields, onChange }: { fields: FieldDef[]; onChange: OnChange }) {
  const [id, setId] = useState('');
  const field = fields.find((one) => one.id === id);
  const put = (value: string | number | boolean | string[] | null) => onChange({ kind: 'field', field_id: id, value });
  if (!fields.length)
    return (
      <Text as="p" tone="soft">
        No custom fields yet. An admin can add them in Setup.
      </Text>
    );
  return (
    <>
      <Select
        aria-label="Field"
        value={id}
        onChange={(event) => {
          setId(event.target.value);
          onChange(null);
        }}
      >
        <option value="">Which field?</option>
        {fields.map((one) => (
          <option key={one.id} value={one.id}>
            {one.name}
          </option>
        ))}
      </Select>
      {field && <FieldValue key={field.id} field={field} onChange={put} />}
    </>
  );
}

function FieldValue({
  field,
  onChange,
}: {
  field: FieldDef;
  onChange: (value: string | number | boolean | string[] | null) => void;
}) {
  const [several, setSeveral] = useState<string[]>([]);
  if (field.kind === 'choice')
    return (
      <Select aria-label="Value" defaultValue="-" onChange={(event) => onChange(event.target.value || null)}>
        <option value="-" disabled>
          Choose
        </option>
        {field.choices.map((choice) => (
          <option key={choice}>{choice}</option>
        ))}
        <option value="">Empty</option>
      </Select>
    );
  if (field.kind === 'choices')
    return (
      <Stack gap={0.5} scroll={260}>
        {field.choices.map((choice) => (
          <Checkbox
            key={choice}
            checked={several.includes(choice)}
            onChange={() => {
              const next = several.includes(choice) ? several.filter((one) => one !== choice) : [...several, choice];
              setSeveral(next);
              onChange(next);
            }}
          >
            {choice}
          </Checkbox>
        ))}
      </Stack>
    );
  if (field.kind === 'flag')
    return (
      <Select
        aria-label="Value"
        defaultValue="-"
        onChange={(event) => onChange(event.target.value === '' ? null : event.target.value === 'yes')}
      >
        <option value="-" disabled>
          Choose
        </option>
        <option value="yes">yes</option>
        <option value="no">no</option>
        <option value="">Empty</option>
      </Select>
    );
  if (field.kind === 'date' || field.kind === 'yearly')
    return <TypedDate yearless={field.kind === 'yearly'} onChange={onChange} />;
  return (
    <Field label="Value (leave empty to clear)">
      {(control) => <Input {...control} autoFocus width="100%" onChange={(event) => onChange(event.target.value || null)} />}
    </Field>
  );
}

/** A day, or a month and a day that return every year. */
function TypedDate({ yearless, onChange }: { yearless: boolean; onChange: (value: string | null) => void }) {
  const [value, setValue] = useState<string | null>(null);
  return (
    <Field label={yearless ? 'Month and day (leave empty to clear)' : 'Date (leave empty to clear)'}>
      {({ id }) => (
        <DateField
          id={id}
          label="Date"
          autoFocus
          yearless={yearless}
          value={value}
          onChange={(next) => {
            setValue(next);
            onChange(next);
          }}
        />
      )}
    </Field>
  );
}

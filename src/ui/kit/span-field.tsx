'use client';
/** A length of time as a number and its unit, kept in seconds. */
import { useId } from 'react';
import { CountField } from './count-field';
import { Row } from './layout';
import { Select } from './select';

const UNITS = [
  ['seconds', 1],
  ['minutes', 60],
  ['hours', 3_600],
  ['days', 86_400],
] as const;
type Unit = (typeof UNITS)[number][0];

/** The largest unit that keeps it whole. */
export const unitOf = (seconds: number): Unit =>
  [...UNITS].reverse().find(([, size]) => seconds >= size && seconds % size === 0)?.[0] ?? 'seconds';

export function SpanField({ label, seconds, onChange }: { label: string; seconds: number; onChange: (seconds: number) => void }) {
  const id = useId();
  const unit = unitOf(seconds);
  const size = UNITS.find(([name]) => name === unit)![1];
  return (
    <Row as="span">
      <label htmlFor={id}>{label}</label>
      <CountField id={id} label={label} min={1} value={seconds / size} onChange={(count) => onChange(count * size)} />
      <Select
        aria-label={`${label}: unit`}
        value={unit}
        onChange={(event) => onChange((seconds / size) * UNITS.find(([name]) => name === event.target.value)![1])}
      >
        {UNITS.map(([name]) => (
          <option key={name}>{name}</option>
        ))}
      </Select>
    </Row>
  );
}

'use client';
/** A length of time as a number and its unit, kept in seconds. */
import { useId } from 'react';
import { Input } from './input';
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
    <span className="beside" style={{ marginTop: 0 }}>
      <label htmlFor={id}>{label}</label>
      <Input
        id={id}
        type="number"
        min={1}
        width={76}
        value={seconds / size}
        onChange={(event) => onChange(Math.max(1, Math.round(Number(event.target.value))) * size)}
      />
      <Select
        aria-label={`${label}: unit`}
        value={unit}
        onChange={(event) => onChange((seconds / size) * UNITS.find(([name]) => name === event.target.value)![1])}
      >
        {UNITS.map(([name]) => (
          <option key={name}>{name}</option>
        ))}
      </Select>
    </span>
  );
}

'use client';
/**
 * A field that reads what is typed when one leaves it, shows it as it was understood, and says what it cannot read. What is typed stays until it can
 * be read.
 */
import { useId, useState, type ReactNode } from 'react';
import { Input } from './input';

export interface TypedFieldProps<Value> {
  /** What the field is called; shown above it when `shown` says so, else by what stands around it. */
  label: string;
  value: Value | null;
  /** Null when the field was emptied. */
  onChange: (value: Value | null) => void;
  disabled?: boolean;
  required?: boolean;
  autoFocus?: boolean;
  width?: number | string;
}

export function TypedField<Value>({
  label,
  value,
  onChange,
  read,
  show,
  help,
  children,
  ...input
}: TypedFieldProps<Value> & {
  /** Null when it means nothing. */
  read: (typed: string) => Value | null;
  show: (value: Value) => string;
  /** What to type, as “Enter a date like 3/1/1970”. */
  help: string;
  /** Beside it: a calendar, a unit. */
  children?: ReactNode;
}) {
  const why = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const wrong = typed !== null && typed.trim() !== '' && read(typed) === null;
  const [left, setLeft] = useState(false);
  const take = () => {
    setLeft(true);
    if (typed === null) return;
    const given = typed.trim() === '' ? null : read(typed);
    if (given === null && typed.trim() !== '') return;
    setTyped(null);
    if (given !== value) onChange(given);
  };
  return (
    <span style={{ display: 'inline-grid', gap: 2 }}>
      <span style={{ display: 'inline-flex', gap: 4, alignItems: 'center' }}>
        <Input
          {...input}
          aria-label={label}
          aria-invalid={wrong && left}
          aria-describedby={wrong && left ? why : undefined}
          autoComplete="off"
          value={typed ?? (value === null ? '' : show(value))}
          onChange={(event) => {
            setTyped(event.target.value);
            setLeft(false);
          }}
          onBlur={take}
          onKeyDown={(event) => event.key === 'Enter' && take()}
        />
        {children}
      </span>
      {wrong && left && (
        <span id={why} className="late small" role="alert">
          {help}
        </span>
      )}
    </span>
  );
}

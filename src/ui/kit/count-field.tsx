'use client';
/** A whole number within bounds: `CountField` always has one, `LimitField` may be empty, which its placeholder explains. What is typed stays as it is
 * typed until one leaves it; only what is within bounds counts meanwhile. */
import { useState } from 'react';
import { Input } from './input';

interface CountProps {
  /** What it is called, where no label of its own (`id`) stands beside it. */
  label: string;
  id?: string;
  min?: number;
  max?: number;
  width?: number | string;
  disabled?: boolean;
  placeholder?: string;
  'aria-invalid'?: boolean;
  'aria-describedby'?: string;
}

export function CountField({ onChange, ...field }: CountProps & { value: number; onChange: (value: number) => void }) {
  return <Counted {...field} onChange={(value) => value !== null && onChange(value)} />;
}

export function LimitField(field: CountProps & { value: number | null; onChange: (value: number | null) => void }) {
  return <Counted {...field} mayBeEmpty />;
}

function Counted({
  label,
  value,
  min = 0,
  max = 1_000_000,
  width = 76,
  mayBeEmpty = false,
  onChange,
  ...input
}: CountProps & { value: number | null; mayBeEmpty?: boolean; onChange: (value: number | null) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const put = (text: string) => {
    setTyped(text);
    const number = Math.round(Number(text));
    if (text.trim() === '') return mayBeEmpty && onChange(null);
    return number >= min && number <= max && onChange(number);
  };
  const leave = () => {
    const number = typed === null || typed.trim() === '' ? NaN : Math.round(Number(typed));
    setTyped(null);
    if (!Number.isNaN(number)) onChange(Math.min(max, Math.max(min, number)));
  };
  return (
    <Input
      {...input}
      type="number"
      inputMode="numeric"
      aria-label={input.id ? undefined : label}
      min={min}
      max={max}
      width={width}
      value={typed ?? value ?? ''}
      onChange={(event) => put(event.target.value)}
      onBlur={leave}
      onKeyDown={(event) => event.key === 'Enter' && leave()}
    />
  );
}

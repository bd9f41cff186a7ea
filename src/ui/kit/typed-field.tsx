'use client';
/**
 * A field that reads what is typed when one leaves it, shows it as it was understood, and says what it cannot read. What is typed stays until it can
 * be read.
 */
import { useId, useState, type ReactNode } from 'react';
import { Input } from './input';
import { Row, Stack, Text } from './layout';

export interface TypedFieldProps<Value> {
  /** What the field is called, where no label of its own (`id`) stands beside it. */
  label: string;
  id?: string;
  /** What is wrong for another reason than that it cannot be read: the server said so. */
  error?: string;
  value: Value | null;
  /** Null when the field was emptied. */
  onChange: (value: Value | null) => void;
  disabled?: boolean;
  required?: boolean;
  /** Whether what stands in it can be read. */
  onReadable?: (readable: boolean) => void;
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
  error,
  onReadable,
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
  const unread = typed !== null && typed.trim() !== '' && read(typed) === null;
  const [left, setLeft] = useState(false);
  const wrong = unread && left ? help : error;
  const take = () => {
    setLeft(true);
    if (typed === null) return;
    const given = typed.trim() === '' ? null : read(typed);
    if (given === null && typed.trim() !== '') return;
    setTyped(null);
    if (given !== value) onChange(given);
  };
  return (
    <Stack as="span" gap={0.5}>
      <Row as="span" gap={1} wrap={false}>
        <Input
          {...input}
          aria-label={input.id ? undefined : label}
          aria-invalid={wrong !== undefined}
          aria-describedby={wrong ? why : undefined}
          autoComplete="off"
          value={typed ?? (value === null ? '' : show(value))}
          onChange={(event) => {
            const text = event.target.value;
            setTyped(text);
            setLeft(false);
            onReadable?.(text.trim() === '' || read(text) !== null);
          }}
          onBlur={take}
          onKeyDown={(event) => event.key === 'Enter' && take()}
        />
        {children}
      </Row>
      {wrong && (
        <Text id={why} tone="late" small role="alert">
          {wrong}
        </Text>
      )}
    </Stack>
  );
}

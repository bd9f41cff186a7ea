'use client';
/**
 * One thing that is known, and changing it where it stands: a click opens its field, Enter saves, Esc leaves it as it was. What the server says is
 * wrong stands at the field, and what was typed stays.
 */
import { useId, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { styled } from '@mui/material/styles';
import { Pencil } from 'lucide-react';
import { Problem, wordsOf } from '../primitives/api';
import { BareButton } from './button';
import { Input, Textarea } from './input';
import { Stack, Text } from './layout';

const Line = styled('div')(({ theme: { vars } }) => ({
  display: 'grid',
  gridTemplateColumns: '112px minmax(0, 1fr)',
  gap: 8,
  alignItems: 'baseline',
  padding: '3px 0',
  '& button': { justifyContent: 'start', width: '100%', padding: '2px 4px', marginLeft: -4, borderRadius: 4 },
  '& button svg': { visibility: 'hidden', color: vars.palette.text.secondary, marginLeft: 6, verticalAlign: -1 },
  '& button:hover': { background: vars.palette.magpie.hair },
  '& button:hover svg, & button:focus-visible svg': { visibility: 'visible' },
  '&:has([data-end])': { gridTemplateColumns: '112px minmax(0, 1fr) auto' },
  '& [data-end] button': { width: 'auto', margin: 0, padding: '2px 6px' },
  '& [data-end] button svg': { visibility: 'visible', margin: 0 },
}));

export interface FactProps {
  label: string;
  /** As it is read. */
  shown: ReactNode;
  /** As it is typed. */
  typed: string;
  /** Sends what was typed; what it throws stands at the field. @throws also for what cannot be read */
  onSave: (typed: string) => Promise<unknown>;
  readOnly?: boolean;
  several?: boolean;
  placeholder?: string;
  secret?: boolean;
}

export function Fact({ label, shown, typed, onSave, readOnly = false, several = false, placeholder, secret }: FactProps) {
  const name = useId();
  const wrong = useId();
  const [text, setText] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const opener = useRef<HTMLButtonElement>(null);
  const busy = useRef(false);
  const close = () => {
    setText(null);
    setError(null);
    requestAnimationFrame(() => opener.current?.focus());
  };
  const save = async (leaving = false) => {
    if (text === null || busy.current) return;
    if (text.trim() === typed.trim()) return leaving ? setText(null) : close();
    busy.current = true;
    try {
      await onSave(text.trim());
      if (leaving) setText(null);
      else close();
    } catch (problem) {
      setError(whatIsWrong(problem));
    } finally {
      busy.current = false;
    }
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Escape') {
      event.stopPropagation();
      close();
    } else if (event.key === 'Enter' && (!several || event.ctrlKey || event.metaKey)) {
      event.preventDefault();
      void save();
    }
  };
  const field = {
    autoFocus: true,
    'aria-labelledby': name,
    'aria-invalid': error !== null,
    'aria-describedby': error ? wrong : undefined,
    placeholder,
    value: text ?? '',
    onKeyDown,
    onBlur: () => void save(true),
  };
  return (
    <Line>
      <Text id={name} tone="soft" small>
        {label}
      </Text>
      {text !== null ? (
        <Stack gap={0.5}>
          {several ? (
            <Textarea {...field} rows={2} onChange={(event) => setText(event.target.value)} />
          ) : (
            <Input {...field} width="100%" autoComplete="off" onChange={(event) => setText(event.target.value)} />
          )}
          {error && (
            <Text id={wrong} tone="late" small role="alert">
              {error}
            </Text>
          )}
        </Stack>
      ) : readOnly ? (
        <Text secret={secret}>{shown || '–'}</Text>
      ) : (
        <BareButton ref={opener} aria-describedby={name} title={`Change: ${label}`} onClick={() => setText(typed)}>
          {shown ? <Text secret={secret}>{shown}</Text> : <Text tone="soft">Add</Text>}
          <Pencil size={12} aria-hidden="true" />
        </BareButton>
      )}
    </Line>
  );
}

/** A line of the same look for what is changed otherwise. @param end what else can be done with it */
export const FactLine = ({ label, end, children }: { label: string; end?: ReactNode; children: ReactNode }) => (
  <Line as="div">
    <Text tone="soft" small>
      {label}
    </Text>
    <div>{children}</div>
    {end && <div data-end="">{end}</div>}
  </Line>
);

function whatIsWrong(problem: unknown): string {
  const [first] = problem instanceof Problem ? problem.fields : [];
  const words = first?.message ?? wordsOf(problem);
  return words.charAt(0).toUpperCase() + words.slice(1);
}

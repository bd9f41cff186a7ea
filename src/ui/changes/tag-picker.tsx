'use client';
/** Choosing tags while one types; a name that is new becomes a tag in passing. */
import { useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ask, freshKey } from '../primitives';
import { useTags } from '../segments';
import '../contacts/contacts.css';
import { BareButton, Input, useToast } from '../kit';

const MOST_SHOWN = 8;

export function TagChip({ name, color, onRemove }: { name: string; color?: string; onRemove?: () => void }) {
  return (
    <span className={`tag c-${color ?? 'stone'}`}>
      {name}
      {onRemove && (
        <BareButton aria-label={`Take ${name} away`} onClick={onRemove}>
          ×
        </BareButton>
      )}
    </span>
  );
}

export function TagPicker({
  label,
  chosen,
  onChange,
  mayMake,
  autoFocus,
}: {
  label: string;
  chosen: string[];
  onChange: (ids: string[]) => void;
  mayMake?: boolean;
  autoFocus?: boolean;
}) {
  const { data: tags = [] } = useTags();
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const queries = useQueryClient();
  const toast = useToast();
  const typed = text.trim().replace(/^#/, '');
  const found = tags
    .filter(({ id, name }) => !chosen.includes(id) && name.toLowerCase().includes(typed.toLowerCase()))
    .slice(0, MOST_SHOWN);
  const isNew = mayMake && typed !== '' && !tags.some(({ name }) => name.toLowerCase() === typed.toLowerCase());
  const pick = (id: string) => {
    onChange([...chosen, id]);
    setText('');
    setAt(0);
  };
  const make = useMutation({
    mutationFn: () => ask('POST /tags', { body: { name: typed }, headers: freshKey() }),
    onSuccess: async (tag) => {
      await queries.invalidateQueries({ queryKey: ['tags'] });
      void queries.invalidateQueries({ queryKey: ['vocabulary'] });
      pick(tag.id);
    },
    onError: toast.fail,
  });
  return (
    <div className="tag-picker">
      <span className="soft small">{label}</span>
      <div className="box">
        {chosen.map((id) => {
          const tag = tags.find((one) => one.id === id);
          return (
            <TagChip
              key={id}
              name={tag?.name ?? '…'}
              color={tag?.color}
              onRemove={() => onChange(chosen.filter((one) => one !== id))}
            />
          );
        })}
        <Input
          autoFocus={autoFocus}
          aria-label={label}
          value={text}
          placeholder={chosen.length ? '' : 'Type a tag'}
          onChange={(event) => {
            setText(event.target.value);
            setAt(0);
          }}
          onKeyDown={(event) => {
            if (event.key === 'ArrowDown') setAt(Math.min(found.length - (isNew ? 0 : 1), at + 1));
            else if (event.key === 'ArrowUp') setAt(Math.max(0, at - 1));
            else if (event.key === 'Enter' && typed) {
              if (found[at]) pick(found[at].id);
              else if (isNew) make.mutate();
            } else if (event.key === 'Backspace' && !text && chosen.length) return onChange(chosen.slice(0, -1));
            else return;
            event.preventDefault();
          }}
        />
      </div>
      {typed && (
        <div className="offers" role="listbox" aria-label={`Tags for ${label}`}>
          {found.map((tag, n) => (
            <BareButton
              key={tag.id}
              role="option"
              aria-selected={n === at}
              className={`row${n === at ? ' sel' : ''}`}
              onClick={() => pick(tag.id)}
            >
              <TagChip name={tag.name} color={tag.color} /> <span className="soft small">{tag.uses.toLocaleString('en-US')}</span>
            </BareButton>
          ))}
          {isNew && (
            <BareButton
              role="option"
              aria-selected={at === found.length}
              className={`row${at === found.length ? ' sel' : ''}`}
              onClick={() => make.mutate()}
            >
              Make “{typed}”
            </BareButton>
          )}
        </div>
      )}
    </div>
  );
}

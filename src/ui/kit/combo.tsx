'use client';
/**
 * Choosing from many while one types: people, tags, cities. The chosen option is read out (`aria-activedescendant`), and a name that is new can be
 * made in passing.
 */
import { useState, type ReactNode } from 'react';
import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { Text } from './layout';

export interface ComboOption {
  value: string;
  name: string;
  /** How it looks, when not as its name. */
  look?: ReactNode;
  note?: ReactNode;
  /** Options of one group stand together, in this order. */
  group?: string;
}
/** More are found by typing. */
const MOST_SHOWN = 120;
const MAKE = ' make';

export function Combo({
  label,
  options,
  onPick,
  onMake,
  makes = 'Create',
  placeholder,
  autoFocus,
  width = '100%',
  disabled,
  typed,
  onType,
  onClose,
  searched = ({ name }) => name,
  empty = 'No matches',
}: {
  label: string;
  options: ComboOption[];
  onPick: (value: string) => void;
  /** A name that none of the options has. */
  onMake?: (name: string) => void;
  makes?: string;
  placeholder?: string;
  autoFocus?: boolean;
  width?: number | string;
  disabled?: boolean;
  /** What is typed, where the options are looked up by it elsewhere. */
  typed?: string;
  onType?: (text: string) => void;
  /** The words by which an option is found, beside its name. */
  searched?: (option: ComboOption) => string;
  /** What is said when nothing is found. */
  empty?: string;
  /** Esc in a field whose list is closed. */
  onClose?: () => void;
}) {
  const [own, setOwn] = useState('');
  const setText = onType ?? setOwn;
  return (
    <Autocomplete<ComboOption>
      /* What was picked goes to its place; the field is free for the next. */
      value={null}
      blurOnSelect={false}
      clearOnBlur
      autoHighlight
      openOnFocus={autoFocus}
      disabled={disabled}
      inputValue={typed ?? own}
      /* A reset is of the package: it begins with one, which would take what was typed before. */
      onInputChange={(_, text, reason) => reason !== 'reset' && setText(reason === 'input' ? text : '')}
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || !onClose) return;
        event.stopPropagation();
        onClose();
      }}
      options={options}
      getOptionLabel={({ name }) => name}
      getOptionKey={({ value }) => value}
      groupBy={options[0]?.group === undefined ? undefined : ({ group }) => group ?? ''}
      noOptionsText={empty}
      sx={{ width }}
      filterOptions={(all, { inputValue }) => {
        if (onType) return all;
        const typed = inputValue.trim().replace(/^#/, '');
        const words = typed.toLowerCase().split(/\s+/);
        const found = all
          .filter((option) => words.every((word) => searched(option).toLowerCase().includes(word)))
          .slice(0, MOST_SHOWN);
        const isNew = onMake && typed && !all.some(({ name }) => name.toLowerCase() === typed.toLowerCase());
        return isNew ? [...found, { value: MAKE, name: typed, look: `${makes} “${typed}”` }] : found;
      }}
      onChange={(_, option) => {
        if (!option) return;
        if (option.value === MAKE) onMake?.(option.name);
        else onPick(option.value);
      }}
      renderOption={({ key, ...props }, { name, look, note }) => (
        <li key={key} {...props}>
          {look ?? name}
          {note !== undefined && (
            <Text tone="soft" small>
              &nbsp;{note}
            </Text>
          )}
        </li>
      )}
      renderInput={(params) => (
        <TextField
          {...params}
          autoFocus={autoFocus}
          placeholder={placeholder ?? label}
          slotProps={{ ...params.slotProps, htmlInput: { ...params.slotProps.htmlInput, 'aria-label': label } }}
        />
      )}
    />
  );
}

'use client';
/** Fields that one types into, for where a label stands beside or around them; `Field` brings a label of its own. */
import type { ChangeEvent, ComponentProps, FocusEvent, Ref } from 'react';
import OutlinedInput from '@mui/material/OutlinedInput';

interface Sized {
  /** In pixels, or as CSS says it; without it as wide as its place lets it. */
  width?: number | string;
  /** Takes the room that is left in its line. */
  grow?: boolean;
  /** `quiet` shows its edge once it is pointed at or written in; `title` is a heading that can be written. */
  look?: 'plain' | 'quiet' | 'title';
}
const quiet = {
  background: 'transparent',
  '&:not(:hover, .Mui-focused) .MuiOutlinedInput-notchedOutline': { borderColor: 'transparent' },
};
const LOOKS = {
  plain: {},
  quiet,
  title: { ...quiet, font: 'inherit', marginLeft: '-10px', '& input': { font: 'inherit', height: 'auto', padding: '0 10px' } },
};
type NativeInput = Omit<ComponentProps<'input'>, 'width' | 'color' | 'ref' | 'size'>;

export function Input({
  width,
  grow = false,
  look = 'plain',
  type = 'text',
  value,
  defaultValue,
  onChange,
  disabled,
  autoFocus,
  ref,
  ...input
}: NativeInput & Sized & { ref?: Ref<HTMLInputElement> }) {
  return (
    <OutlinedInput
      type={type}
      value={value}
      defaultValue={defaultValue}
      onChange={onChange}
      disabled={disabled}
      autoFocus={autoFocus}
      inputRef={ref}
      error={input['aria-invalid'] === true || input['aria-invalid'] === 'true'}
      sx={{ width, ...(grow && { flex: 1, minWidth: 140 }), ...LOOKS[look] }}
      slotProps={{ input }}
    />
  );
}

type NativeArea = Omit<ComponentProps<'textarea'>, 'color' | 'ref' | 'onChange'> & {
  onChange?: (event: ChangeEvent<HTMLTextAreaElement>) => void;
};
/** Whoever comes back to what they had begun writes on at its end. */
const toItsEnd = (event: FocusEvent<HTMLInputElement | HTMLTextAreaElement>) => {
  const { length } = event.target.value;
  event.target.setSelectionRange(length, length);
};

/** Several lines; it grows with its words from `rows` on. */
export function Textarea({
  width = '100%',
  rows = 3,
  value,
  defaultValue,
  onChange,
  disabled,
  autoFocus,
  ref,
  ...input
}: NativeArea & Pick<Sized, 'width'> & { ref?: Ref<HTMLTextAreaElement> }) {
  return (
    <OutlinedInput
      multiline
      minRows={rows}
      maxRows={18}
      value={value}
      defaultValue={defaultValue}
      onChange={onChange}
      disabled={disabled}
      autoFocus={autoFocus}
      onFocus={autoFocus ? toItsEnd : undefined}
      inputRef={ref}
      error={input['aria-invalid'] === true || input['aria-invalid'] === 'true'}
      sx={{ width }}
      /* The input of one with several lines is a text area. */
      inputProps={input}
    />
  );
}

'use client';
/** One of a few, chosen from the machine's own list, which every finger, keyboard and screen reader knows. Many are chosen from by `Combo`. */
import type { ChangeEvent, ComponentProps, Ref } from 'react';
import MuiSelect, { type SelectProps } from '@mui/material/Select';

export function Select({
  width,
  value,
  defaultValue,
  onChange,
  disabled,
  autoFocus,
  children,
  ref,
  ...select
}: Omit<ComponentProps<'select'>, 'width' | 'color' | 'ref' | 'size' | 'multiple'> & {
  width?: number | string;
  ref?: Ref<HTMLSelectElement>;
}) {
  return (
    <MuiSelect
      native
      value={value}
      defaultValue={defaultValue}
      /* What MUI hands on of a native list is the event of the list itself. */
      onChange={(event) => onChange?.(event as unknown as ChangeEvent<HTMLSelectElement>)}
      disabled={disabled}
      autoFocus={autoFocus}
      inputRef={ref}
      sx={{ width, maxWidth: '100%' }}
      inputProps={select as SelectProps['inputProps']}
    >
      {children}
    </MuiSelect>
  );
}

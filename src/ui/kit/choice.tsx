'use client';
/** Ticks: one by one (`Checkbox`), any of several (`CheckboxGroup`) or one of several (`Radio`, which share a `name`). With children they bring their label. */
import type { ComponentProps, ReactNode } from 'react';
import FormControlLabel from '@mui/material/FormControlLabel';
import MuiCheckbox from '@mui/material/Checkbox';
import MuiRadio from '@mui/material/Radio';
import { Stack, Text } from './layout';

type Native = Omit<ComponentProps<'input'>, 'type' | 'size' | 'color' | 'ref' | 'children'> & { children?: ReactNode };

const labelled = (control: React.ReactElement, label: ReactNode) =>
  label === undefined ? control : <FormControlLabel control={control} label={label} />;

/** @param indeterminate some of those that it stands for are ticked */
export function Checkbox({
  children,
  checked,
  defaultChecked,
  onChange,
  disabled,
  indeterminate,
  ...input
}: Native & { indeterminate?: boolean }) {
  return labelled(
    <MuiCheckbox
      checked={checked}
      defaultChecked={defaultChecked}
      onChange={onChange}
      disabled={disabled}
      indeterminate={indeterminate}
      slotProps={{ input }}
    />,
    children,
  );
}

export function Radio({ children, checked, defaultChecked, onChange, disabled, ...input }: Native) {
  return labelled(
    <MuiRadio checked={checked} defaultChecked={defaultChecked} onChange={onChange} disabled={disabled} slotProps={{ input }} />,
    children,
  );
}

/** What can be ticked, and what it says. */
export interface CheckboxOption<Value extends string> {
  value: Value;
  label: ReactNode;
  disabled?: boolean;
}
/** Any of several. @param onChange hears those that are ticked, in the order of `options` */
export function CheckboxGroup<Value extends string>({
  label,
  options,
  chosen,
  onChange,
}: {
  label: string;
  options: readonly CheckboxOption<Value>[];
  chosen: readonly Value[];
  onChange: (chosen: Value[]) => void;
}) {
  const toggle = (value: Value, on: boolean) =>
    onChange(options.map((one) => one.value).filter((one) => (one === value ? on : chosen.includes(one))));
  return (
    <Stack gap={1} role="group" aria-label={label}>
      <Text strong small aria-hidden="true">
        {label}
      </Text>
      {options.map(({ value, label: words, disabled }) => (
        <Checkbox
          key={value}
          checked={chosen.includes(value)}
          disabled={disabled}
          onChange={({ target }) => toggle(value, target.checked)}
        >
          {words}
        </Checkbox>
      ))}
    </Stack>
  );
}

'use client';
/** Ticks: one by one (`Checkbox`) or one of several (`Radio`, which share a `name`). With children they bring their label. */
import type { ComponentProps, ReactNode } from 'react';
import FormControlLabel from '@mui/material/FormControlLabel';
import MuiCheckbox from '@mui/material/Checkbox';
import MuiRadio from '@mui/material/Radio';

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

'use client';
/** A button that asks for a file. */
import type { ReactNode } from 'react';
import MuiButton from '@mui/material/Button';
import { visuallyHidden } from '@mui/utils';

export function FileButton({
  accept,
  disabled,
  size = 'medium',
  look = 'plain',
  label,
  onFile,
  children,
}: {
  /** As in an `input` of files: `.csv,image/png`. */
  accept?: string;
  disabled?: boolean;
  size?: 'medium' | 'small' | 'tiny';
  look?: 'plain' | 'main';
  /** For those who do not see what is around it. */
  label?: string;
  /** The same file may be chosen again. */
  onFile: (file: File) => void;
  /** What it is called. */
  children: ReactNode;
}) {
  return (
    <MuiButton
      component="label"
      {...(look === 'main' ? { variant: 'contained', color: 'primary' } : { variant: 'outlined', color: 'inherit' })}
      size={size}
      disabled={disabled}
      /* The input in it is what is pressed and has the focus; this is its label. */
      role={undefined}
      tabIndex={-1}
      sx={{ '&:focus-within': { outline: '2px solid', outlineColor: 'primary.main', outlineOffset: '2px' } }}
    >
      {children}
      <input
        type="file"
        aria-label={label}
        accept={accept}
        disabled={disabled}
        style={visuallyHidden}
        onChange={({ target }) => {
          const file = target.files?.[0];
          target.value = '';
          if (file) onFile(file);
        }}
      />
    </MuiButton>
  );
}

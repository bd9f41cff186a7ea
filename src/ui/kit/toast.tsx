'use client';
/** Notices at the foot of the page: they stack, so that one that arrives takes no Undo away, and are read out to screen readers. */
import { useMemo, type ReactNode } from 'react';
import { closeSnackbar, enqueueSnackbar, SnackbarContent, SnackbarProvider, type CustomContentProps } from 'notistack';
import Paper from '@mui/material/Paper';
import { wordsOf } from '../primitives/api';
import { Button } from './button';

/** How long a notice stays: what can be undone the longest, for whoever is interrupted. */
const UNDO_MS = 15_000;
const ERROR_MS = 9_000;
const INFO_MS = 5_000;
const MOST = 4;

declare module 'notistack' {
  interface VariantOverrides {
    info: { undo?: () => void };
    error: { undo?: () => void };
  }
}

function Notice({
  id,
  message,
  variant,
  undo,
  ref,
}: CustomContentProps & { undo?: () => void; ref?: React.Ref<HTMLDivElement> }) {
  return (
    <SnackbarContent ref={ref}>
      <Paper
        role={variant === 'error' ? 'alert' : 'status'}
        variant="outlined"
        sx={{
          display: 'flex',
          gap: '10px',
          alignItems: 'center',
          padding: '7px 8px 7px 14px',
          maxWidth: 'min(560px, calc(100vw - 32px))',
          borderLeft: '4px solid',
          borderLeftColor: variant === 'error' ? 'warning.main' : 'success.main',
          boxShadow: 'var(--mui-palette-magpie-shade)',
          overflowWrap: 'anywhere',
        }}
      >
        <span>{message}</span>
        {undo && (
          <Button
            size="small"
            onClick={() => {
              closeSnackbar(id);
              undo();
            }}
          >
            Undo
          </Button>
        )}
        <Button look="text" aria-label="Close" onClick={() => closeSnackbar(id)}>
          ×
        </Button>
      </Paper>
    </SnackbarContent>
  );
}

export function ToastProvider({ children }: { children: ReactNode }) {
  return (
    <SnackbarProvider
      maxSnack={MOST}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      Components={{ info: Notice, error: Notice }}
      transitionDuration={100}
    >
      {children}
    </SnackbarProvider>
  );
}

interface Toast {
  /** What was done; with Undo where it can be. */
  tell: (text: string, undo?: () => void) => void;
  /** What went wrong. */
  fail: (error: unknown) => void;
}
const TOAST: Toast = {
  tell: (text, undo) => enqueueSnackbar(text, { variant: 'info', undo, autoHideDuration: undo ? UNDO_MS : INFO_MS }),
  fail: (error) => enqueueSnackbar(wordsOf(error), { variant: 'error', autoHideDuration: ERROR_MS }),
};
export const useToast = (): Toast => useMemo(() => TOAST, []);

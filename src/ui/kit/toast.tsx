'use client';
/** Notices at the foot of the page: they stack, so that one that arrives takes no Undo away, and are read out to screen readers. */
import { useMemo, type ReactNode } from 'react';
import {
  closeSnackbar,
  enqueueSnackbar,
  SnackbarContent,
  SnackbarProvider,
  type CustomContentProps,
  type SnackbarKey,
} from 'notistack';
import GlobalStyles from '@mui/material/GlobalStyles';
import Paper from '@mui/material/Paper';
import { wordsOf } from '../primitives/api';
import { useIsNarrow } from '../primitives/narrow';
import { Button } from './button';

/** How long a notice stays: what can be undone the longest, for whoever is interrupted. */
const UNDO_MS = 15_000;
const ERROR_MS = 9_000;
const INFO_MS = 5_000;
const MOST = 4;

/** What can be done about a notice. */
export interface ToastAction {
  does: string;
  act: () => void;
}

declare module 'notistack' {
  interface VariantOverrides {
    info: { does?: ToastAction };
    error: { does?: ToastAction };
  }
}

function Notice({
  id,
  message,
  variant,
  does: action,
  ref,
}: CustomContentProps & { does?: ToastAction; ref?: React.Ref<HTMLDivElement> }) {
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
        {action && (
          <Button
            size="small"
            onClick={() => {
              closeSnackbar(id);
              action.act();
            }}
          >
            {action.does}
          </Button>
        )}
        <Button look="text" aria-label="Close" onClick={() => closeSnackbar(id)}>
          ×
        </Button>
      </Paper>
    </SnackbarContent>
  );
}

const BELOW_CLOSE = { '@media (max-width: 800px)': { '.notistack-SnackbarContainer': { top: '64px !important' } } };

export function ToastProvider({ children }: { children: ReactNode }) {
  /* On a phone at the top, below the button that closes what is open: all else that can be pressed stands at the bottom. */
  const narrow = useIsNarrow();
  return (
    <SnackbarProvider
      maxSnack={MOST}
      anchorOrigin={narrow ? { vertical: 'top', horizontal: 'center' } : { vertical: 'bottom', horizontal: 'left' }}
      Components={{ info: Notice, error: Notice }}
      transitionDuration={100}
    >
      <GlobalStyles styles={BELOW_CLOSE} />
      {children}
    </SnackbarProvider>
  );
}

interface Toast {
  /** What was done or came; with Undo, or with something else that can be done at once. */
  tell: (text: string, action?: (() => void) | ToastAction) => void;
  /** What went wrong. */
  fail: (error: unknown) => void;
}
/** What can still be undone, the latest last. */
const undos = new Map<SnackbarKey, () => void>();
const TOAST: Toast = {
  tell: (text, action) => {
    const key = enqueueSnackbar(text, {
      variant: 'info',
      does: typeof action === 'function' ? { does: 'Undo', act: action } : action,
      autoHideDuration: action ? UNDO_MS : INFO_MS,
      onClose: (_, __, closed) => closed !== undefined && undos.delete(closed),
    });
    if (typeof action === 'function') undos.set(key, action);
  },
  fail: (error) => enqueueSnackbar(wordsOf(error), { variant: 'error', autoHideDuration: ERROR_MS }),
};
/** Undoes what the latest notice that is still there offers to. @returns whether there was one */
export function undoLatest(): boolean {
  const latest = [...undos].at(-1);
  if (!latest) return false;
  const [key, undo] = latest;
  undos.delete(key);
  closeSnackbar(key);
  undo();
  return true;
}

export const useToast = (): Toast => useMemo(() => TOAST, []);

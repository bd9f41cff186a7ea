'use client';
/** Notices: what was done or went wrong, at the foot of the page, read out to screen readers. */
import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import { wordsOf } from './api';

/** How long a notice stays: what can be undone the longest, for somebody who is interrupted. */
const UNDO_MS = 15_000;
const ERROR_MS = 9_000;
const SAID_MS = 5_000;

interface Notice {
  text: string;
  kind: 'info' | 'error';
  undo?: () => void;
  key: number;
}
interface Notices {
  tell: (text: string, undo?: () => void) => void;
  fail: (error: unknown) => void;
}
const Context = createContext<Notices>({ tell: () => {}, fail: () => {} });
export const useToast = (): Notices => useContext(Context);

export function ToastProvider({ children }: { children: ReactNode }) {
  const [notice, setNotice] = useState<Notice | null>(null);
  const show = useCallback(
    (text: string, kind: Notice['kind'], undo?: () => void) => setNotice({ text, kind, undo, key: performance.now() }),
    [],
  );
  const value = useMemo<Notices>(
    () => ({ tell: (text, undo) => show(text, 'info', undo), fail: (error) => show(wordsOf(error), 'error') }),
    [show],
  );
  const undo = notice?.undo;
  return (
    <Context.Provider value={value}>
      {children}
      <Snackbar
        key={notice?.key}
        open={notice !== null}
        autoHideDuration={undo ? UNDO_MS : notice?.kind === 'error' ? ERROR_MS : SAID_MS}
        onClose={(_, why) => why !== 'clickaway' && setNotice(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      >
        <Alert
          severity={notice?.kind === 'error' ? 'warning' : 'success'}
          icon={false}
          onClose={() => setNotice(null)}
          variant="outlined"
          sx={{ bgcolor: 'background.paper', boxShadow: 'var(--shade)' }}
          action={
            undo && (
              <Button
                onClick={() => {
                  setNotice(null);
                  undo();
                }}
              >
                Undo
              </Button>
            )
          }
        >
          {notice?.text}
        </Alert>
      </Snackbar>
    </Context.Provider>
  );
}

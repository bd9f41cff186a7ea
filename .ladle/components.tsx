/** What stands around each story: our theme, light or dark as the address says (`?scheme=dark`), formats, notices, a clock that stands still. */
import { useEffect, type ReactNode } from 'react';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import '@fontsource-variable/figtree';
import '@fontsource-variable/bricolage-grotesque';
import { DEFAULT_FORMAT } from '@/core/format';
import { ToastProvider } from '@/ui/kit';
import { ClockProvider, FormatProvider } from '@/ui/primitives';
import { theme } from '@/ui/theme';

const queries = new QueryClient();
const scheme = new URLSearchParams(window.location.search).get('scheme') === 'dark' ? 'dark' : 'light';

export const Provider = ({ children }: { children: ReactNode }) => {
  useEffect(() => {
    document.documentElement.dataset.scheme = scheme;
    document.documentElement.lang = 'en';
  }, []);
  return (
    <QueryClientProvider client={queries}>
      <ThemeProvider theme={theme} defaultMode={scheme} storageManager={null}>
        <CssBaseline />
        <FormatProvider choice={DEFAULT_FORMAT}>
          <ClockProvider now="2026-11-23T18:24:00Z" held zone="America/Los_Angeles">
            <ToastProvider>
              <main style={{ padding: 24, minHeight: '100vh', background: 'var(--paper)', color: 'var(--ink)' }}>{children}</main>
            </ToastProvider>
          </ClockProvider>
        </FormatProvider>
      </ThemeProvider>
    </QueryClientProvider>
  );
};

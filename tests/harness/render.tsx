/** A component as it stands on a page: in our theme, with notices. */
import type { ReactElement } from 'react';
import { render, type RenderResult } from '@testing-library/react';
import userEvent, { type UserEvent } from '@testing-library/user-event';
import { ThemeProvider } from '@mui/material/styles';
import { ToastProvider } from '@/ui/kit';
import { theme } from '@/ui/theme';

export const show = (what: ReactElement): RenderResult & { user: UserEvent } => ({
  user: userEvent.setup(),
  ...render(
    <ThemeProvider theme={theme}>
      <ToastProvider>{what}</ToastProvider>
    </ThemeProvider>,
  ),
});

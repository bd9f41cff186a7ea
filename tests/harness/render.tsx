/** A component as it stands on a page: in our theme, with notices, formats and a clock that stands still; the API answers as a test says. */
import type { ReactElement } from 'react';
import { render, type RenderResult } from '@testing-library/react';
import userEvent, { type UserEvent } from '@testing-library/user-event';
import { ThemeProvider } from '@mui/material/styles';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { DEFAULT_FORMAT } from '@/core/format';
import { ToastProvider } from '@/ui/kit';
import { ClockProvider, FormatProvider } from '@/ui/primitives';
import { theme } from '@/ui/theme';

/** What was asked of the API, in its order. */
export interface AskedCall {
  route: string;
  body: unknown;
}
/** An answer by `METHOD /path`, its query left out; a status beside it when it is not 200. */
export type Answers = Record<string, unknown>;
export const refusal = (status: number, problem: object) => ({ status, problem });
const isRefusal = (answer: unknown): answer is ReturnType<typeof refusal> =>
  typeof answer === 'object' && answer !== null && 'problem' in answer;

/** Answers `fetch` for as long as the test runs. @returns what is asked */
export function answering(answers: Answers): AskedCall[] {
  const asked: AskedCall[] = [];
  globalThis.fetch = ((address: string, init: RequestInit = {}) => {
    const path = address.replace('/api/v1', '').split('?')[0]!;
    const route = `${init.method ?? 'GET'} ${path}`;
    asked.push({ route, body: typeof init.body === 'string' ? (JSON.parse(init.body) as unknown) : undefined });
    const answer = answers[route];
    const [status, body] = isRefusal(answer) ? [answer.status, answer.problem] : [answer === undefined ? 404 : 200, answer ?? {}];
    return Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(body) } as Response);
  }) as typeof fetch;
  return asked;
}

export function show(what: ReactElement): RenderResult & { user: UserEvent; queries: QueryClient } {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return {
    user: userEvent.setup(),
    queries,
    ...render(
      <QueryClientProvider client={queries}>
        <ThemeProvider theme={theme}>
          <FormatProvider choice={DEFAULT_FORMAT}>
            <ClockProvider now="2026-11-23T18:24:00Z" held zone="America/Los_Angeles">
              <ToastProvider>{what}</ToastProvider>
            </ClockProvider>
          </FormatProvider>
        </ThemeProvider>
      </QueryClientProvider>,
    ),
  };
}

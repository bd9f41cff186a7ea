/** A component as it stands on a page: in our theme, with notices, formats and a clock that stands still; the API answers as a test says. */
import type { ReactElement } from 'react';
import { render, waitFor, type RenderResult } from '@testing-library/react';
import userEvent, { type UserEvent } from '@testing-library/user-event';
import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
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

/** What was last sent to a route. */
export const sentTo = (asked: AskedCall[], route: string): unknown => asked.findLast((one) => one.route === route)?.body;

/** Paths that a page was left for. @returns a list that grows */
export function going(): string[] {
  const paths: string[] = [];
  window.addEventListener('went', (event) => paths.push((event as CustomEvent<string>).detail));
  return paths;
}

/** A refusal that names a field, as the API gives it. */
export const wrongAt = (field: string, message: string) =>
  refusal(422, { code: 'input_invalid', detail: 'Check your input.', errors: [{ field, message }] });

/* Styles stay out of the document: jsdom draws nothing, and reads all of them for every question whether something is hidden. */
const unseen = createCache({ key: 'css', container: document.createElement('head') });

export function show(what: ReactElement): RenderResult & { user: UserEvent; queries: QueryClient } {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return {
    user: userEvent.setup({ delay: null }),
    queries,
    ...render(
      <QueryClientProvider client={queries}>
        <CacheProvider value={unseen}>
          <ThemeProvider theme={theme}>
            <FormatProvider choice={DEFAULT_FORMAT}>
              <ClockProvider now="2026-11-23T18:24:00Z" held zone="America/Los_Angeles">
                <ToastProvider>{what}</ToastProvider>
              </ClockProvider>
            </FormatProvider>
          </ThemeProvider>
        </CacheProvider>
      </QueryClientProvider>,
    ),
  };
}

/** A form as a test of all forms opens it. */
export interface FormCase {
  open: (onClose: () => void) => ReactElement;
  /** A field that text goes into, by its label, and what is typed. */
  label: string | RegExp;
  typed: string;
  /** What it sends to, what this answers, and what the API calls the field. */
  route: string;
  answer?: unknown;
  field: string;
  /** What else it asks for while it is open. */
  answers?: Answers;
}
/** What every form in a dialog owes whoever fills it in. */
export function keepsWhatIsTyped(name: string, { open, label, typed, route, answer = {}, field, answers }: FormCase): void {
  const start = async (saved: unknown) => {
    const asked = answering({ ...answers, [route]: saved });
    const onClose = jest.fn<void, []>();
    const shown = show(open(onClose));
    const box = await shown.findByLabelText(label);
    await shown.user.clear(box);
    await shown.user.type(box, typed);
    return { ...shown, asked, onClose, box };
  };
  describe(name, () => {
    test('Enter saves', async () => {
      const { user, asked, onClose, findByLabelText } = await start(answer);
      expect(await findByLabelText(label)).toHaveAccessibleName();
      await user.keyboard('{Enter}');
      await waitFor(() => expect(asked.map((one) => one.route)).toContain(route));
      if (answer !== null) await waitFor(() => expect(onClose.mock.calls.length + paths.length).toBeGreaterThan(0));
    });
    test('what is wrong is said at its field, and what was typed stays', async () => {
      const { user, box, findByText } = await start(wrongAt(field, 'this is not possible'));
      await user.keyboard('{Enter}');
      const said = await findByText('This is not possible');
      await waitFor(() => expect(box).toHaveAccessibleDescription('This is not possible'));
      expect(said).toHaveAttribute('role', 'alert');
      expect(box).toHaveAttribute('aria-invalid', 'true');
      expect((box as HTMLInputElement).value).not.toBe('');
    });
    test('Esc asks before it is lost', async () => {
      const { user, onClose, findByRole } = await start(answer);
      await user.keyboard('{Escape}');
      expect(onClose).not.toHaveBeenCalled();
      await user.click(await findByRole('button', { name: 'Discard changes' }));
      expect(onClose).toHaveBeenCalled();
      expect(localStorage.length).toBe(0);
    });
  });
  const paths = going();
}

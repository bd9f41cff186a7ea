/** Formats of one's own: seen before they are saved, sent as chosen, and told when they could not be. */
import { screen, waitFor } from '@testing-library/react';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { DEFAULT_FORMAT } from '@/core/format';
import { ClockProvider } from '../primitives';
import { show } from '../../../tests/harness/render';
import { FormatsDialog } from './formats-dialog';

const sent = jest.fn<Promise<Response>, [string, RequestInit]>();
beforeEach(() => {
  sent.mockReset();
  sent.mockResolvedValue({
    ok: true,
    status: 204,
    headers: new Headers(),
    text: () => Promise.resolve(''),
  } as unknown as Response);
  global.fetch = sent as unknown as typeof fetch;
});

const dialog = (onSaved = jest.fn()) => {
  const shown = show(
    <QueryClientProvider client={new QueryClient()}>
      <ClockProvider now="2026-11-23T18:24:00Z" held zone="America/Los_Angeles">
        <FormatsDialog formats={DEFAULT_FORMAT} onClose={jest.fn()} onSaved={onSaved} />
      </ClockProvider>
    </QueryClientProvider>,
  );
  return { ...shown, onSaved };
};
const looks = () => screen.getAllByRole('status').map((one) => one.textContent);

test('what is chosen is seen at once, and saved as chosen', async () => {
  const { user, onSaved } = dialog();
  expect(looks()).toContainEqual('Mon, Nov 23, 10:24 AM · 11/23/2026 · $469,400');
  await user.selectOptions(screen.getByRole('combobox', { name: 'Language and region' }), 'English (United Kingdom)');
  await user.selectOptions(screen.getByRole('combobox', { name: 'First day of the week' }), 'Saturday');
  expect(looks()).toContainEqual('Mon 23 Nov, 10:24 · 23/11/2026 · $469,400');
  await user.selectOptions(screen.getByRole('combobox', { name: 'Time format' }), '12-hour');
  await user.click(screen.getByRole('button', { name: 'Save' }));
  const choice = { locale: 'en-GB', clock: 12, weekStart: 6 };
  await waitFor(() => expect(onSaved).toHaveBeenCalledWith(choice));
  expect(JSON.parse(sent.mock.calls[0]![1].body as string)).toEqual({ format: choice });
});

test('what could not be saved stays, with why', async () => {
  sent.mockRejectedValue(new TypeError('no network'));
  const { user, onSaved } = dialog();
  await user.selectOptions(screen.getByRole('combobox', { name: 'Time format' }), '24-hour');
  await user.click(screen.getByRole('button', { name: 'Save' }));
  await waitFor(() => expect(screen.getByRole('alert')).toHaveTextContent('Can’t reach Urraca'));
  expect(screen.getByRole('combobox', { name: 'Time format' })).toHaveValue('24');
  expect(onSaved).not.toHaveBeenCalled();
});

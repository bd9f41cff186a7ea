/** What is heard while a page is open: a new lead is named and opened, what one took oneself is no news, only what is looked at is read again. */
import { useQuery } from '@tanstack/react-query';
import { act, screen, waitFor } from '@testing-library/react';
import { ODALYS } from '../../../tests/harness/people-of-forms';
import { answering, going, show } from '../../../tests/harness/render';
import { useLive } from './live';

class Stream {
  static open: Stream[] = [];
  onmessage: ((message: { data: string }) => void) | null = null;
  closed = false;
  private heard = new Map<string, () => void>();
  constructor(readonly url: string) {
    Stream.open.push(this);
  }
  addEventListener(name: string, listener: () => void) {
    this.heard.set(name, listener);
  }
  tell(event: object) {
    act(() => this.onmessage?.({ data: JSON.stringify(event) }));
  }
  everything() {
    act(() => this.heard.get('everything')?.());
  }
  close() {
    this.closed = true;
  }
}
beforeEach(() => {
  Stream.open = [];
  (globalThis as unknown as { EventSource: unknown }).EventSource = Stream;
});

const reads: string[] = [];
function Page() {
  useLive();
  for (const key of ['wire', 'today', 'templates'])
    useQuery({ queryKey: [key], queryFn: () => (reads.push(key), Promise.resolve(null)), staleTime: Infinity });
  return null;
}
const start = async () => {
  reads.length = 0;
  const asked = answering({ 'GET /contacts/5': ODALYS, 'GET /preferences': {} });
  const shown = show(<Page />);
  await waitFor(() => expect(reads).toEqual(['wire', 'today', 'templates']));
  reads.length = 0;
  expect(Stream.open).toHaveLength(1);
  return { asked, stream: Stream.open[0]!, ...shown };
};

test('a new lead of mine is named, and Open leads to them', async () => {
  const paths = going();
  const { user, stream } = await start();
  stream.tell({ topic: 'lead', contactId: '5', mine: true });
  expect(await screen.findByText('New lead: Odalys Brandt.')).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Open' }));
  expect(paths).toEqual(['/contacts?contact=5']);
});

test('a lead of somebody else is no news', async () => {
  const { asked, stream } = await start();
  stream.tell({ topic: 'lead', contactId: '5', mine: false });
  await waitFor(() => expect(reads).toContain('wire'));
  expect(screen.queryByText(/^New lead/)).toBeNull();
  expect(asked.some(({ route }) => route === 'GET /contacts/5')).toBe(false);
});

test('many events at once are one reading, and templates are read for messages alone', async () => {
  const { stream } = await start();
  for (let n = 0; n < 20; n += 1) stream.tell({ topic: 'contact', contactId: String(n) });
  await waitFor(() => expect(reads.sort()).toEqual(['today', 'wire']));
  reads.length = 0;
  stream.tell({ topic: 'message', contactId: '5' });
  await waitFor(() => expect(reads.sort()).toEqual(['templates', 'today', 'wire']));
});

test('when time has passed, everything is read again', async () => {
  const { stream } = await start();
  stream.everything();
  await waitFor(() => expect(reads.sort()).toEqual(['templates', 'today', 'wire']));
});

test('leaving the page ends the stream', async () => {
  const { stream, unmount } = await start();
  expect(stream.url).toBe('/api/v1/events');
  unmount();
  expect(stream.closed).toBe(true);
});

/** Bringing a file in: chosen or dropped, with its progress; what came in before. */
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { answering, going, show } from '../../../tests/harness/render';
import { ImportArea } from './import-area';

const EARLIER = {
  id: '4',
  file_name: 'people.csv',
  state: 'done',
  made_at: '2026-11-22T18:00:00Z',
  by: 'Asta Lund',
  made: 1_204,
  changed: 3,
};
const FILE = new File(['Name\nOda'], 'people.csv', { type: 'text/csv' });

/** The upload as the browser does it, answered by hand. */
class Upload {
  static last: Upload;
  upload: { onprogress?: (event: { loaded: number; total: number }) => void } = {};
  onload?: () => void;
  onerror?: () => void;
  status = 0;
  responseText = '';
  address = '';
  open(_method: string, address: string): void {
    this.address = address;
  }
  setRequestHeader(): void {}
  send(): void {
    Upload.last = this;
  }
  answer(status: number, body: object): void {
    this.status = status;
    this.responseText = JSON.stringify(body);
    this.onload?.();
  }
}
const original = globalThis.XMLHttpRequest;
beforeEach(() => {
  globalThis.XMLHttpRequest = Upload as unknown as typeof XMLHttpRequest;
});
afterEach(() => {
  globalThis.XMLHttpRequest = original;
});
const start = () => {
  answering({ 'GET /imports': { items: [EARLIER] } });
  return { went: going(), ...show(<ImportArea users={[]} office />) };
};

test('a file that is chosen goes up with its progress, and is looked at then', async () => {
  const { user, went } = start();
  await user.upload(screen.getByLabelText('File of contacts'), FILE);
  expect(Upload.last.address).toBe('/api/v1/imports?name=people.csv');
  act(() => Upload.last.upload.onprogress?.({ loaded: 1, total: 4 }));
  await waitFor(() => expect(screen.getByRole('progressbar', { name: 'Sent' })).toHaveAttribute('value', '0.25'));
  Upload.last.answer(201, { id: '9' });
  await waitFor(() => expect(went).toEqual(['/contacts/import?import=9']));
});

test('a file may be dropped', async () => {
  const { went } = start();
  const place = screen.getByText('Drop a file here').parentElement!;
  fireEvent.dragOver(place, { dataTransfer: { files: [] } });
  fireEvent.drop(place, { dataTransfer: { files: [FILE] } });
  Upload.last.answer(201, { id: '9' });
  await waitFor(() => expect(went).toEqual(['/contacts/import?import=9']));
});

test.each([
  [
    'what is no file of contacts',
    (one: Upload) => one.answer(422, { code: 'input_unreadable', detail: 'This is a picture.' }),
    'This is a picture.',
  ],
  ['a line that breaks', (one: Upload) => one.onerror?.(), 'The upload failed. Nothing was saved; try again.'],
])('%s is said, and another may be chosen', async (_, ends, said) => {
  const { user } = start();
  await user.upload(screen.getByLabelText('File of contacts'), FILE);
  ends(Upload.last);
  expect(await screen.findByText(said)).toBeVisible();
  expect(await screen.findByLabelText('File of contacts')).toBeEnabled();
});

test('what came in before is opened again', async () => {
  const { user, went } = start();
  expect(await screen.findByText('1,204 new, 3 completed')).toBeVisible();
  expect(screen.getByText(/^imported, .*, Asta Lund$/)).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'people.csv' }));
  expect(went).toEqual(['/contacts/import?import=4']);
});

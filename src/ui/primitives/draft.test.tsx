/** Drafts: they survive a reload, are of whoever wrote them, and stand even where the browser keeps nothing. */
import { screen } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { DRAFTS, draftsOf, readDraft, useDraft, writeDraft } from '.';

const NOTE = DRAFTS.note('5');
function Note() {
  const [text, setText, clear] = useDraft(NOTE);
  return (
    <>
      <textarea aria-label="Note" value={text} onChange={(event) => setText(event.target.value)} />
      <button onClick={clear}>Sent</button>
    </>
  );
}
const note = () => screen.getByRole('textbox', { name: 'Note' });
beforeEach(() => void draftsOf('12'));

test('what is half-written is there again, until it is sent', async () => {
  const { user, unmount } = show(<Note />);
  await user.type(note(), 'Wants a slip');
  unmount();
  const again = show(<Note />);
  expect(note()).toHaveValue('Wants a slip');
  await again.user.click(screen.getByRole('button', { name: 'Sent' }));
  expect(note()).toHaveValue('');
  expect(readDraft(NOTE)).toBe('');
});

test('on a shared computer nobody finds what somebody else was writing, and finds their own again', () => {
  writeDraft(NOTE, 'Her husband must not know');
  draftsOf('13');
  expect(readDraft(NOTE)).toBe('');
  writeDraft(NOTE, 'Call on Monday');
  draftsOf('12');
  expect(readDraft(NOTE)).toBe('Her husband must not know');
});

test('a message by text and one by email to the same person are two', () => {
  writeDraft(DRAFTS.message('text', '5'), 'Still for sale?');
  expect(readDraft(DRAFTS.message('email', '5'))).toBe('');
});

test('where the browser is full, it stands as long as the page does, for its writer', () => {
  const full = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  writeDraft(NOTE, 'Wants a slip');
  expect(readDraft(NOTE)).toBe('Wants a slip');
  draftsOf('13');
  expect(readDraft(NOTE)).toBe('');
  full.mockRestore();
});

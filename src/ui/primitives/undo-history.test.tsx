/** What is being changed: back and forward, kept over a reload, forgotten once it is saved or somebody else saved another. */
import { act, renderHook } from '@testing-library/react';
import { readDraft, useUndoHistory, writeDraft } from '.';

const SAVED = { words: 'Hello' };
const open = (first = SAVED) => renderHook(() => useUndoHistory('letter_7', first)).result;

test('every step goes back and forward; a new one forgets what lay ahead', () => {
  const history = open();
  act(() => history.current.change({ words: 'Hello you' }));
  act(() => history.current.change({ words: 'Hello there' }));
  act(() => history.current.back());
  expect(history.current.draft.words).toBe('Hello you');
  act(() => history.current.forward());
  expect(history.current.draft.words).toBe('Hello there');
  act(() => history.current.back());
  act(() => history.current.change({ words: 'Good morning' }));
  expect(history.current.mayForward).toBe(false);
  act(() => history.current.back());
  act(() => history.current.back());
  expect(history.current.draft).toEqual(SAVED);
  expect(history.current.mayBack).toBe(false);
  act(() => history.current.back());
  expect(history.current.draft).toEqual(SAVED);
});

test('half-written it survives a reload, which is said, and can be put away', () => {
  const before = open();
  act(() => before.current.change({ words: 'Half a thou' }));
  expect(before.current.isRestored).toBe(false);
  const after = open();
  expect(after.current.draft.words).toBe('Half a thou');
  expect(after.current.isRestored).toBe(true);
  act(() => after.current.discard());
  expect(after.current.draft).toEqual(SAVED);
  expect(after.current.isRestored).toBe(false);
  expect(localStorage.length).toBe(0);
});

test('changed back to what it was, nothing is kept', () => {
  const history = open();
  act(() => history.current.change({ words: 'Hello you' }));
  act(() => history.current.change({ words: 'Hello' }));
  expect(localStorage.length).toBe(0);
});

test('once it is saved it is what everything begins from', () => {
  const history = open();
  act(() => history.current.change({ words: 'Hello you' }));
  act(() => history.current.saved({ words: 'Hello you' }));
  expect(localStorage.length).toBe(0);
  expect(open({ words: 'Hello you' }).current.isRestored).toBe(false);
});

test('what somebody else saved meanwhile is not written over by it', () => {
  const before = open();
  act(() => before.current.change({ words: 'Half a thou' }));
  const after = open({ words: 'By Berit' });
  expect(after.current.draft.words).toBe('By Berit');
  expect(after.current.isRestored).toBe(false);
});

test('a browser that is full keeps nothing, and what is typed stands nevertheless', () => {
  const full = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  const history = open();
  act(() => history.current.change({ words: 'Hello you' }));
  expect(history.current.draft.words).toBe('Hello you');
  writeDraft('note_5', 'and this');
  expect(readDraft('note_5')).toBe('and this');
  full.mockRestore();
  act(() => history.current.discard());
  writeDraft('note_5', '');
  expect(readDraft('note_5')).toBe('');
});

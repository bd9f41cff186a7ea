/** Tags in one cell: as people type several, and as an export writes those that hold a sign. */
import { tagCell } from '../tags';
import { tagWords } from './words';

test.each([
  ['choir; garden', ['choir', 'garden']],
  ['#choir, #Choir | garden\nboat', ['Choir', 'garden', 'boat']],
  ['“choir”; a "quoted" word', ['“choir”', 'a "quoted" word']],
  [' ; ,, ', []],
])('%j', (cell, tags) => {
  expect(tagWords(cell)).toEqual(tags);
});

test.each([[['Lake, north', 'choir']], [['=sum', 'a;b', 'x|y']], [['say "hi", twice', '#9']], [['"', '""', 'A, "B"']]])(
  '%j is read as it was written',
  (tags) => {
    const cell = tags.map(tagCell).join('; ');
    const guarded = /^[=+\-@]/.test(cell) ? `'${cell}` : cell;
    expect(tagWords(guarded)).toEqual(tags);
  },
);

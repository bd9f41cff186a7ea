import { marksIn } from './marks';

const shown = (text: string, values: string[]) => marksIn(text, values).map(([from, to]) => text.slice(from, to));

test.each([
  ['Call (564) 555-0161 x12.', ['+15645550161'], ['564) 555-0161']],
  ['Tel. 0151/555 01 71', ['+491515550171'], ['151/555 01 71']],
  ['Name: Oda\nBrandvold, oda@fjord.example', ['Oda Brandvold', 'oda@fjord.example'], ['Oda\nBrandvold', 'oda@fjord.example']],
  ['ODA (of the Odas)', ['Oda'], ['ODA', 'Oda']],
  ['Oda Brandvold', ['Oda', 'Oda Brandvold'], ['Oda Brandvold']],
  ['a (b) [c] $1', ['(b) [c]', '$1'], ['(b) [c]', '$1']],
  ['nothing here', ['', 'x', 'y y'], []],
])('in “%s” %j is found', (text, values, found) => expect(shown(text, values)).toEqual(found));

test('a number within a longer one is still marked once', () => {
  expect(shown('id 5645550161, tel 564-555-0161', ['+15645550161'])).toEqual(['5645550161', '564-555-0161']);
});

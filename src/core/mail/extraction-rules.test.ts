import { ruleFromMark, applyRule, applyRules, type ExtractionRule, type ExtractedField } from './extraction-rules';
import type { LeadMail } from './mail';

const unread: LeadMail = {
  kind: 'needs-a-person',
  because: 'It names no way to reach anybody.',
  emails: [],
  phones: [],
  roles: [],
  source: 'Moorhen',
};
const body = (who: string, how: string, ref: number) =>
  `MOORHEN DISPATCH ${ref}\n\nParty of the first part: ${who}\nTalk line\n  ${how}\n\nUtterance follows\nWe saw the sign.\nIs it still free?\n\nMoorhen Dispatch, Tarn Hollow`;
const FIRST = body('Perpetua Lindgren', '564-555-0133', 12);
const NEXT = body('Anselm Okafor', '(564) 555-0134', 4711);

test.each<[ExtractedField, string, string]>([
  ['name', 'Perpetua Lindgren', 'Anselm Okafor'],
  ['phone', '564-555-0133', '(564) 555-0134'],
  ['message', 'We saw the sign.\nIs it still free?', 'We saw the sign.\nIs it still free?'],
])('a %s that was marked is found in the next mail of that shape', (field, marked, expected) => {
  const rule = ruleFromMark(FIRST, field, marked)!;
  expect(applyRule(NEXT, rule)).toBe(expected);
});

test.each<[string, string, string, string]>([
  ['in a sentence', 'You were called by Ada Quill on line 2 today.', 'Ada Quill', 'You were called by Tam Reed on line 7 today.'],
  ['among bars', 'Ref: 9 | Guest: Ada Quill | Open', 'Ada Quill', 'Ref: 10 | Guest: Tam Reed | Open'],
  ['below its label', 'GUEST NAME HERE\n\nAda Quill\nend', 'Ada Quill', 'GUEST NAME HERE\nTam Reed\nend'],
])('%s', (_, first, marked, next) => expect(applyRule(next, ruleFromMark(first, 'name', marked)!)).toBe('Tam Reed'));

test('what does not stand in the mail, or has nothing before it, teaches nothing; a mail of another shape is read as before', () => {
  expect(ruleFromMark(FIRST, 'name', 'Somebody Else')).toBeNull();
  expect(ruleFromMark('Ada Quill', 'name', 'Ada Quill')).toBeNull();
  expect(ruleFromMark(FIRST, 'name', '  ')).toBeNull();
  const rule = ruleFromMark(FIRST, 'name', 'Perpetua Lindgren')!;
  expect(applyRules(unread, 'Name: Tam Reed', [rule])).toBe(unread);
});

test('a corrected mail is a lead the next time; rubbish and answers stay what they are; a value of another kind is not taken', () => {
  const rules = [ruleFromMark(FIRST, 'name', 'Perpetua Lindgren')!, ruleFromMark(FIRST, 'phone', '564-555-0133')!];
  expect(applyRules(unread, NEXT, rules)).toMatchObject({
    kind: 'lead',
    because: 'Read as a person corrected it before.',
    name: { first: 'Anselm', last: 'Okafor' },
    phones: ['+15645550134'],
    roles: ['buyer'],
    roleAssumed: true,
  });
  expect(applyRules({ ...unread, kind: 'not-a-lead' }, NEXT, rules).phones).toEqual([]);
  expect(applyRules(unread, body('Anselm Okafor', 'ask at the desk', 1), rules)).toMatchObject({
    kind: 'needs-a-person',
    phones: [],
  });
});

test('words that look like a pattern are words', () => {
  const odd: ExtractionRule = { field: 'name', before: 'Who (a+b)*:', after: '' };
  expect(applyRule('Who (a+b)*: Tam Reed\n', odd)).toBe('Tam Reed');
});

test.each<[ExtractedField, string, object]>([
  ['name', 'Anselm Okafor', { name: { first: 'Anselm', last: 'Okafor' } }],
  ['first_name', 'Anselm', { name: { first: 'Anselm', last: null } }],
  ['last_name', 'Okafor', { name: { first: null, last: 'Okafor' } }],
  ['email', 'Anselm@Fen.example', { emails: ['anselm@fen.example'] }],
  ['phone', '(564) 555-0134', { phones: ['+15645550134'] }],
  ['message', 'Is it\n still free?', { message: 'Is it still free?' }],
])('a %s that was learned stands in the reading', (field, value, expected) => {
  const rule = ruleFromMark(`Line:\n${value}`, field, value);
  expect(rule && applyRules(unread, `Line:\n${value}`, [rule])).toMatchObject(expected);
});
test('what was learned of a field does not make a lead of what holds no such value', () => {
  const rule = ruleFromMark('Reach: ada@fen.example', 'email', 'ada@fen.example')!;
  expect(applyRules(unread, 'Reach: nobody home', [rule])).toBe(unread);
  expect(applyRules({ ...unread, kind: 'reply' }, 'Reach: tam@fen.example', [rule]).kind).toBe('reply');
  expect(applyRules(unread, 'Reach: tam@fen.example', [rule])).toMatchObject({
    kind: 'lead',
    emails: ['tam@fen.example'],
    roles: ['buyer'],
    roleAssumed: true,
  });
});

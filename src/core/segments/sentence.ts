/** A segment as the sentence people read, in pieces, so that the editor can open each condition where it stands. */
import { formatOf, type Format } from '../format';
import { listed, type Hours } from '../shared';
import { subjectOf, type FieldDef, type Subject, type Vocabulary } from './subjects';
import { branchesOf, isCondition, type Condition, type Tree } from './tree';

/** A piece of a segment's sentence. */
export interface Piece {
  text: string;
  /** The part that says what was chosen. */
  mark?: boolean;
  /** Where in the tree the condition stands: indexes from the root. Missing for words between conditions. */
  path?: number[];
  /** True when the condition names something that is gone. */
  gone?: boolean;
}
/** The name of a value of a vocabulary; null when it is gone. */
export type NameOf = (vocabulary: Vocabulary, value: string) => string | null;

const SAID: Record<string, string> = { granted: 'yes', withdrawn: 'no', unknown: 'not known' };
const listedOr = (names: string[], word: string): string => listed(names, word) || 'nothing';
const plural = (role: string): string => (role.endsWith('y') ? `${role.slice(0, -1)}ies` : `${role}s`);
const many = (n: number, unit: string, { number }: Format): string => (n === 1 ? unit.replace(/s$/, '') : `${number(n)} ${unit}`);
const AMERICAN = formatOf();
/** What a sentence is said with: the names of values, the account's own fields, and how numbers and days are written. */
interface Speech {
  name: NameOf;
  fields: readonly FieldDef[];
  format: Format;
}

/** The whole sentence. @example sentenceOf(tree, …) // Buyers in Saltmarsh or Petrel Point, not spoken with for 30 days or more */
export function piecesOf(tree: Tree, name: NameOf, fields: readonly FieldDef[] = [], format: Format = AMERICAN): Piece[] {
  const speech = { name, fields, format };
  const parts =
    isCondition(tree) || !('all' in tree)
      ? [{ tree, path: [] as number[] }]
      : tree.all.map((one, at) => ({ tree: one, path: [at] }));
  const lead = parts.findIndex(
    ({ tree: one }) =>
      isCondition(one) && (one.on === 'role' || one.on === 'lead_role') && one.how === 'any' && one.of.length > 0,
  );
  const pieces: Piece[] = [];
  if (lead >= 0) {
    const { tree: role, path } = parts.splice(lead, 1)[0]!;
    const names = (role as { of: string[] }).of.map(plural);
    pieces.push({ text: capital(listedOr(names, 'and')), mark: true, path });
  } else pieces.push({ text: parts.length ? 'People' : 'Everyone' });
  parts.forEach(({ tree: one, path }, at) => {
    pieces.push({ text: at > 0 ? ', ' : ' ' });
    pieces.push(...within(one, path, speech));
  });
  return pieces;
}
export const segmentSentence = (tree: Tree, name: NameOf, fields: readonly FieldDef[] = [], format?: Format): string =>
  piecesOf(tree, name, fields, format)
    .map(({ text }) => text)
    .join('');

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function within(tree: Tree, path: number[], speech: Speech): Piece[] {
  if (isCondition(tree)) return phrase(tree, path, speech);
  const { how, trees } = branchesOf(tree);
  if (!trees.length) return [{ text: how === 'any' ? 'nobody' : 'anybody', path, mark: true }];
  const inner = trees.flatMap((one, at) => [
    ...(at ? [{ text: how === 'all' ? ' and ' : ' or ' }] : []),
    ...within(one, [...path, at], speech),
  ]);
  return [{ text: how === 'none' ? 'but not (' : '(' }, ...inner, { text: ')' }];
}

type Words = [text: string, mark?: boolean, gone?: boolean];
function phrase(condition: Condition, path: number[], speech: Speech): Piece[] {
  const subject = subjectOf(condition.on, speech.fields);
  if (!subject) return [{ text: 'with a deleted field', mark: true, gone: true, path }];
  return wordsOf(condition, subject, speech).map(([text, mark, gone]) => ({
    text,
    path,
    ...(mark ? { mark } : {}),
    ...(gone ? { gone } : {}),
  }));
}

function choicePhrase(condition: Extract<Condition, { how: 'any' | 'all' | 'none' }>, subject: Subject, name: NameOf): Words[] {
  const { yes, no } = subject.words;
  const names = condition.of.map((value) => valueName(subject, value, name));
  const shown = names.map((one) => one ?? goneWord(subject));
  return [
    [`${condition.how === 'none' ? no : yes} `],
    [listedOr(shown, condition.how === 'all' ? 'and' : 'or'), true, names.includes(null)],
  ];
}

function wordsOf(condition: Condition, subject: Subject, { name, format }: Speech): Words[] {
  const { words } = subject;
  switch (condition.how) {
    case 'known':
      return [[words.some ?? `with ${subject.label.toLowerCase()}`, true]];
    case 'unknown':
      return [[words.none ?? `without ${subject.label.toLowerCase()}`, true]];
    case 'yes':
    case 'no':
      return [[words[condition.how], true]];
    case 'any':
    case 'all':
    case 'none':
      return choicePhrase(condition, subject, name);
    case 'between':
      return [[`${words.yes} `], [range(condition.from, condition.to, subject, format), true]];
    case 'contains':
    case 'begins':
    case 'is': {
      const verb = { contains: 'contains', begins: 'begins with', is: 'is' }[condition.how];
      return [[`${words.yes} `], [`${verb} “${condition.text}”`, true]];
    }
    case 'at':
      return [[`${words.yes} `], [hoursPhrase(condition, format), true]];
    case 'inside':
    case 'outside':
      return [[`${condition.how === 'inside' ? words.yes : words.no} `], [condition.name || 'a drawn area', true]];
    default:
      return timePhrase(condition, subject, format);
  }
}

const WEEKDAYS = ['Mondays', 'Tuesdays', 'Wednesdays', 'Thursdays', 'Fridays', 'Saturdays', 'Sundays'];
const onDays = (days: readonly number[]): string => {
  const key = [...days].sort().join('');
  if (key === '1234567') return 'every day';
  if (key === '12345') return 'on weekdays';
  if (key === '67') return 'on weekends';
  return days.length
    ? `on ${listed(
        [...days].sort().map((day) => WEEKDAYS[day - 1] ?? ''),
        'and',
      )}`
    : 'on no day';
};
/** `on weekdays between 9 AM and 6 PM` */
export const hoursPhrase = (hours: Hours, { clockTime }: Format = AMERICAN): string =>
  `${onDays(hours.days)} between ${clockTime(hours.from)} and ${clockTime(hours.to)}`;

const goneWord = (subject: Subject): string =>
  `a ${subject.of === 'person' ? 'person' : subject.of === 'postal' ? 'ZIP code' : (subject.of ?? 'choice')} (deleted)`;
function valueName(subject: Subject, value: string, name: NameOf): string | null {
  if (subject.of === 'permission') return SAID[value] ?? null;
  if (subject.of === 'person' && value === 'me') return 'me';
  if (!subject.of || ['source', 'town', 'postal', 'role'].includes(subject.of)) return value;
  return name(subject.of, value);
}

function range(from: number | null | undefined, to: number | null | undefined, subject: Subject, format: Format): string {
  if (subject.money) return priceRange(from, to, format);
  const unit = subject.unit ?? '';
  const shown = format.number;
  if (from == null && to == null) return `any ${unit}`;
  if (to === 0 && !from) return unit.startsWith('as ') ? `0 ${unit}` : `no ${unit}`;
  if (from === to && from != null) return `exactly ${shown(from)} ${unit}`;
  if (from == null) return `at most ${shown(to!)} ${unit}`;
  if (to == null) return `${shown(from)} or more ${unit}`;
  return `${shown(from)} to ${shown(to)} ${unit}`;
}

function priceRange(from: number | null | undefined, to: number | null | undefined, { money }: Format): string {
  if (from == null && to == null) return 'of any amount';
  if (from == null) return `up to ${money(to!)}`;
  if (to == null) return `of ${money(from)} or more`;
  return from === to ? `of exactly ${money(from)}` : `of ${money(from)} to ${money(to)}`;
}

type TimeCondition = Extract<Condition, { how: 'within' | 'not_within' | 'longer_ago' | 'coming' | 'on_days' }>;
function timePhrase(condition: TimeCondition, subject: Subject, format: Format): [string, boolean][] {
  const { words } = subject;
  if (condition.how === 'on_days') {
    const [from, to] = [condition.from, condition.to].map((day) => (day ? format.plainDay(day) : null));
    if (condition.from && condition.to)
      return [
        [`${words.yes} `, false],
        [from === to ? `on ${from}` : `from ${from} to ${to}`, true],
      ];
    return [
      [`${words.yes} `, false],
      [condition.from ? `since ${from}` : `until ${to ?? 'today'}`, true],
    ];
  }
  const span = many(condition.n, condition.unit, format);
  if (condition.how === 'coming')
    return condition.n === 0 && subject.kind === 'yearly'
      ? [
          [`${words.yes} `, false],
          ['today', true],
        ]
      : [
          [`${words.yes} `, false],
          [`in the next ${span}`, true],
        ];
  if (condition.how === 'within')
    return [
      [words.yes, true],
      [' in the ', false],
      [`last ${span}`, true],
    ];
  if (condition.how === 'not_within')
    return [
      [words.no, true],
      [' for ', false],
      [`${span.replace(/^(?=[a-z])/, 'a ')} or more`, true],
    ];
  return [
    [`last ${words.yes}`, true],
    [' ', false],
    [`more than ${span.replace(/^(?=[a-z])/, 'a ')} ago`, true],
  ];
}

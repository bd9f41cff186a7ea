/** Values of an account's own fields: checked by the kind of the field, and as the rows that the database keeps. */
import { AppError } from '../shared';
import { dayOfYear } from './days';
import type { FieldDef } from '../segments';

/** One row of a value; a set of choices is several. */
export interface FieldRow {
  ordinal: number;
  words?: string;
  number?: number;
  day?: string;
  month_day?: number;
  linked_id?: string;
}
/** A value of a field as it is given. */
export type FieldInput = string | number | boolean | string[] | null;

type Reading = FieldRow[] | { wrong: string };
const wrong = (message: string): Reading => ({ wrong: message });
const number = (text: string): Reading => {
  const value = Number(text.replace(/[\s,$€£]/g, ''));
  return /\d/.test(text) && Number.isFinite(value) && Math.abs(value) <= 1e15
    ? [{ ordinal: 0, number: value }]
    : wrong('is not a number');
};
const choices = (_text: string, { choices: known }: FieldDef, chosen: readonly string[]): Reading => {
  const found = chosen.map((one) => known.find((choice) => choice.toLowerCase() === one.trim().toLowerCase()));
  return found.includes(undefined)
    ? wrong(`is one of ${known.join(', ')}`)
    : [...new Set(found as string[])].map((words, ordinal) => ({ ordinal, words }));
};

/** How a value of each kind is read. @param text it as words @param all its parts, where it has several */
const READINGS: Record<FieldDef['kind'], (text: string, field: FieldDef, all: readonly string[]) => Reading> = {
  text: (text) => (text.length > 2_000 ? wrong('at most 2,000 characters') : [{ ordinal: 0, words: text }]),
  number,
  money: number,
  date: (text) =>
    /^\d{4}-\d{2}-\d{2}$/.test(text) && dayOfYear(text) ? [{ ordinal: 0, day: text }] : wrong('is not a date like 3/1/1970'),
  yearly: (text) => {
    const monthDay = dayOfYear(text);
    if (!monthDay) return wrong('is not a date like 3/1 or 3/1/1970');
    return [{ ordinal: 0, month_day: monthDay, ...(/^\d{4}/.test(text) ? { day: text } : {}) }];
  },
  choice: (text, field, all) => (all.length > 1 ? wrong('is one choice, not several') : choices(text, field, all)),
  choices,
  flag: (text) =>
    /^(?:true|false|yes|no|1|0)$/i.test(text)
      ? [{ ordinal: 0, number: /^(?:true|yes|1)$/i.test(text) ? 1 : 0 }]
      : wrong('is yes or no'),
  contact: (text) => (/^\d{1,18}$/.test(text) ? [{ ordinal: 0, linked_id: text }] : wrong('must be a contact')),
};

/**
 * The rows for a value; none for an empty one.
 * @throws AppError input_invalid when the value does not fit the field
 */
export function fieldRows(field: FieldDef, value: FieldInput): FieldRow[] {
  if (value === null || value === '' || (Array.isArray(value) && !value.length)) return [];
  const text = String(value).trim();
  const read = READINGS[field.kind](text, field, Array.isArray(value) ? value : [text]);
  if (Array.isArray(read)) return read;
  throw new AppError('input_invalid', `This doesn’t fit the field “${field.name}”.`, {
    fields: [{ field: `fields.${field.id}`, message: read.wrong }],
  });
}

/** A value as people and programs read it. */
export function fieldValue(field: FieldDef, rows: FieldRow[]): FieldInput {
  const [first] = rows;
  if (!first) return null;
  switch (field.kind) {
    case 'number':
    case 'money':
      return first.number === undefined || first.number === null ? null : Number(first.number);
    case 'flag':
      return Number(first.number) === 1;
    case 'choices':
      return rows.map(({ words }) => words ?? '');
    case 'date':
      return first.day ?? null;
    case 'yearly':
      return (
        first.day ??
        (first.month_day
          ? `${String(Math.floor(first.month_day / 100)).padStart(2, '0')}-${String(first.month_day % 100).padStart(2, '0')}`
          : null)
      );
    case 'contact':
      return first.linked_id ?? null;
    default:
      return first.words ?? null;
  }
}

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

/**
 * The rows for a value; none for an empty one.
 * @throws AppError input_invalid when the value does not fit the field
 */
export function fieldRows(field: FieldDef, value: FieldInput): FieldRow[] {
  if (value === null || value === '' || (Array.isArray(value) && !value.length)) return [];
  const wrong = (message: string) =>
    new AppError('input_invalid', `This does not fit the field “${field.name}”.`, {
      fields: [{ field: `fields.${field.id}`, message }],
    });
  const text = String(value).trim();
  switch (field.kind) {
    case 'text':
      if (text.length > 2_000) throw wrong('at most 2,000 characters');
      return [{ ordinal: 0, words: text }];
    case 'number':
    case 'money': {
      const number = typeof value === 'number' ? value : Number(text.replace(/[\s,$€£]/g, ''));
      if (!/\d/.test(text) || !Number.isFinite(number) || Math.abs(number) > 1e15) throw wrong('is not a number');
      return [{ ordinal: 0, number }];
    }
    case 'date':
      if (!/^\d{4}-\d{2}-\d{2}$/.test(text) || !dayOfYear(text)) throw wrong('is not a day as YYYY-MM-DD');
      return [{ ordinal: 0, day: text }];
    case 'yearly': {
      const monthDay = dayOfYear(text);
      if (!monthDay) throw wrong('is not a day as MM-DD or YYYY-MM-DD');
      return [{ ordinal: 0, month_day: monthDay, ...(/^\d{4}/.test(text) ? { day: text } : {}) }];
    }
    case 'choice':
    case 'choices': {
      const chosen = Array.isArray(value) ? value : [text];
      if (field.kind === 'choice' && chosen.length > 1) throw wrong('is one choice, not several');
      const known = chosen.map((one) => field.choices.find((choice) => choice.toLowerCase() === one.trim().toLowerCase()));
      if (known.includes(undefined)) throw wrong(`is one of ${field.choices.join(', ')}`);
      return [...new Set(known as string[])].map((words, ordinal) => ({ ordinal, words }));
    }
    case 'flag':
      if (!/^(?:true|false|yes|no|1|0)$/i.test(text)) throw wrong('is yes or no');
      return [{ ordinal: 0, number: /^(?:true|yes|1)$/i.test(text) ? 1 : 0 }];
    case 'contact':
      if (!/^\d{1,18}$/.test(text)) throw wrong('is the id of a contact');
      return [{ ordinal: 0, linked_id: text }];
  }
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

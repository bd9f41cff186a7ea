/** A segment read in memory for one contact: the same answers as the SQL, for triggers and rehearsals. */
import { daySpan, monthDays } from './days';
import { subjectOf, type FieldDef } from './subjects';
import { branchesOf, isCondition, spanDays, spanMs, type Condition, type Tree } from './tree';

/** What is known of a contact, by subject: a choice or a text, a set, a number, an instant, month-days, a yes or no. Null is nothing known. */
export type Known = (subject: string) => string | readonly string[] | number | readonly number[] | Date | boolean | null;

export interface Moment {
  at: Date;
  /** The account's zone, for local days. */
  zone: string;
}

/** Does the contact belong to the segment? A condition on something that is gone is never met. */
export function matches(tree: Tree, known: Known, moment: Moment, fields: readonly FieldDef[] = []): boolean {
  if (isCondition(tree)) return meets(tree, known, moment, fields);
  const { how, trees } = branchesOf(tree);
  if (how === 'all') return trees.every((one) => matches(one, known, moment, fields));
  const some = trees.some((one) => matches(one, known, moment, fields));
  return how === 'any' ? some : !some;
}

/** Words are compared in small letters; ids are compared as they are. */
export const plain = (text: string): string => text.toLowerCase();

function meets(condition: Condition, known: Known, { at, zone }: Moment, fields: readonly FieldDef[]): boolean {
  const subject = subjectOf(condition.on, fields);
  if (!subject) return false;
  const value = known(subject.key);
  const there = Array.isArray(value) ? value.length > 0 : value !== null && value !== '';
  switch (condition.how) {
    case 'known':
      return there;
    case 'unknown':
      return !there;
    case 'yes':
      return value === true;
    case 'no':
      return value !== true;
    case 'any':
    case 'none':
    case 'all': {
      const has = new Set((Array.isArray(value) ? (value as string[]) : there ? [value as string] : []).map(plain));
      const asked = condition.of.map(plain);
      if (condition.how === 'all') return asked.every((one) => has.has(one));
      const any = asked.some((one) => has.has(one));
      return condition.how === 'any' ? any : !any;
    }
    case 'between':
      return (
        there &&
        (condition.from == null || (value as number) >= condition.from) &&
        (condition.to == null || (value as number) <= condition.to)
      );
    case 'contains':
      return there && plain(value as string).includes(plain(condition.text));
    case 'begins':
      return there && plain(value as string).startsWith(plain(condition.text));
    case 'is':
      return there && plain(value as string) === plain(condition.text);
    case 'on_days': {
      const { from, before } = daySpan(condition.from, condition.to, zone);
      return there && (!from || (value as Date) >= from) && (!before || (value as Date) < before);
    }
    case 'coming':
      if (subject.kind === 'yearly')
        return monthDays(at, zone, spanDays(condition.n, condition.unit)).some(
          (day) => Array.isArray(value) && (value as readonly number[]).includes(day),
        );
      return there && (value as Date) >= at && (value as Date).getTime() <= at.getTime() + spanMs(condition.n, condition.unit);
    default:
      return timeMeets(condition.how, value as Date | null, at.getTime(), spanMs(condition.n, condition.unit));
  }
}

function timeMeets(how: 'within' | 'not_within' | 'longer_ago', value: Date | null, at: number, span: number): boolean {
  const within = value !== null && value.getTime() >= at - span && value.getTime() <= at;
  if (how === 'within') return within;
  if (how === 'not_within') return !within;
  return value !== null && value.getTime() < at - span;
}

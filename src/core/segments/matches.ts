/**
 * A segment read in memory for one contact: the same answers as the SQL, for triggers, the ladder and rehearsals. A tree is made into
 * a test once and asked often: a ladder of fifty rungs is asked for each lead.
 */
import { inHours } from '../shared';
import { daySpan, monthDays } from './days';
import { subjectOf, type FieldDef, type Subject } from './subjects';
import { branchesOf, isCondition, spanDays, spanMs, type Condition, type Tree } from './tree';

/**
 * What is known of a contact, by subject: a choice or a text, a set, a number, an instant, month-days, a yes or no, a place as
 * longitude and latitude. Null is nothing known.
 */
export type Known = (subject: string) => string | readonly string[] | number | readonly number[] | Date | boolean | null;

/** The time at which a segment is asked. */
export interface Moment {
  at: Date;
  /** The account's zone, for local days. */
  zone: string;
}
/** A tree made ready to be asked. */
export type Test = (known: Known, at: Date) => boolean;
type Value = ReturnType<Known>;
type Asks = (value: Value, at: Date) => boolean;

/** Does the contact belong to the segment? A condition on something that is gone is never met. */
export const matches = (tree: Tree, known: Known, moment: Moment, fields: readonly FieldDef[] = []): boolean =>
  testOf(tree, moment.zone, fields)(known, moment.at);

/** The tree as a test, for an account in `zone`. */
export function testOf(tree: Tree, zone: string, fields: readonly FieldDef[] = []): Test {
  if (isCondition(tree)) {
    const subject = subjectOf(tree.on, fields);
    if (!subject) return () => false;
    const asks = asksOf(tree, subject, zone);
    return (known, at) => asks(known(subject.key), at);
  }
  const { how, trees } = branchesOf(tree);
  const tests = trees.map((one) => testOf(one, zone, fields));
  if (how === 'all') return (known, at) => tests.every((test) => test(known, at));
  const wanted = how === 'any';
  return (known, at) => tests.some((test) => test(known, at)) === wanted;
}

/** Words are compared in small letters; ids are compared as they are. */
export const plain = (text: string): string => text.toLowerCase();

const isThere = (value: Value): boolean => (Array.isArray(value) ? value.length > 0 : value !== null && value !== '');
const listOf = (value: Value): readonly string[] =>
  Array.isArray(value) ? (value as string[]) : isThere(value) ? [value as string] : [];

function asksOf(condition: Condition, subject: Subject, zone: string): Asks {
  switch (condition.how) {
    case 'known':
      return isThere;
    case 'unknown':
      return (value) => !isThere(value);
    case 'yes':
      return (value) => value === true;
    case 'no':
      return (value) => value !== true;
    case 'all': {
      const asked = condition.of.map(plain);
      return (value) => {
        const has = listOf(value).map(plain);
        return asked.every((one) => has.includes(one));
      };
    }
    case 'any':
    case 'none': {
      const asked = new Set(condition.of.map(plain));
      const wanted = condition.how === 'any';
      return (value) => listOf(value).some((one) => asked.has(plain(one))) === wanted;
    }
    case 'between': {
      const [from, to] = [condition.from ?? -Infinity, condition.to ?? Infinity];
      return (value) => isThere(value) && (value as number) >= from && (value as number) <= to;
    }
    case 'contains':
    case 'begins':
    case 'is':
      return textAsks(condition.how, plain(condition.text));
    case 'at':
      return (_, at) => inHours(condition, at, zone);
    case 'inside':
    case 'outside': {
      const wanted = condition.how === 'inside';
      return (value) => isThere(value) && isInside(value as readonly number[], condition.ring) === wanted;
    }
    default:
      return timeAsks(condition, subject, zone);
  }
}

function textAsks(how: 'contains' | 'begins' | 'is', text: string): Asks {
  const fits = {
    contains: (own: string) => own.includes(text),
    begins: (own: string) => own.startsWith(text),
    is: (own: string) => own === text,
  };
  return (value) => isThere(value) && fits[how](plain(value as string));
}

type OfTime = Extract<Condition, { how: 'within' | 'not_within' | 'longer_ago' | 'coming' | 'on_days' }>;
function timeAsks(condition: OfTime, subject: Subject, zone: string): Asks {
  if (condition.how === 'on_days') {
    const { from, before } = daySpan(condition.from, condition.to, zone);
    return (value) => isThere(value) && (!from || (value as Date) >= from) && (!before || (value as Date) < before);
  }
  const span = spanMs(condition.n, condition.unit);
  if (condition.how === 'coming') {
    if (subject.kind === 'yearly') {
      const days = spanDays(condition.n, condition.unit);
      return (value, at) =>
        Array.isArray(value) && monthDays(at, zone, days).some((day) => (value as readonly number[]).includes(day));
    }
    return (value, at) => isThere(value) && (value as Date) >= at && (value as Date).getTime() <= at.getTime() + span;
  }
  const within = (value: Value, at: Date) =>
    value !== null && (value as Date).getTime() >= at.getTime() - span && (value as Date) <= at;
  if (condition.how === 'within') return within;
  if (condition.how === 'not_within') return (value, at) => !within(value, at);
  return (value, at) => value !== null && (value as Date).getTime() < at.getTime() - span;
}

/** Is the point (longitude, latitude) within the ring? By counting how often a line to the east crosses it (even-odd rule). */
export function isInside(point: readonly number[], ring: readonly (readonly number[])[]): boolean {
  const [x, y] = point as [number, number];
  let inside = false;
  for (let at = 0, before = ring.length - 1; at < ring.length; before = at, at += 1) {
    const [x1, y1] = ring[at] as [number, number];
    const [x2, y2] = ring[before] as [number, number];
    if (y1 > y !== y2 > y && x < ((x2 - x1) * (y - y1)) / (y2 - y1) + x1) inside = !inside;
  }
  return inside;
}

/** Checking a segment that came from outside: known subjects, questions that fit their kind, a size that a database bears. */
import Joi from 'joi';
import { MEASURE_KEYS } from '../results';
import { AppError, type ValueOf } from '../shared';
import { isOfLead, subjectOf, type FieldDef } from './subjects';
import { branchesOf, HOWS, isCondition, UNITS, type Tree } from './tree';

const MOST_CONDITIONS = 60;
const MOST_DEPTH = 8;
const day = Joi.string().pattern(/^\d{4}-\d{2}-\d{2}$/, 'day');
const clock = Joi.string().pattern(/^([01]\d|2[0-3]):[0-5]\d$/, 'clock time');
const value = Joi.string().max(200);

const condition = Joi.object({
  on: Joi.string().max(60).required(),
  how: Joi.string().required(),
  of: Joi.array().items(value).max(500),
  from: Joi.alternatives(Joi.number(), day, clock, null),
  to: Joi.alternatives(Joi.number(), day, clock, null),
  n: Joi.number().min(0).max(10_000),
  unit: Joi.string().valid(...UNITS),
  text: Joi.string().max(200),
  days: Joi.array().items(Joi.number().integer().min(1).max(7)).unique().max(7),
  ring: Joi.array()
    .items(Joi.array().ordered(Joi.number().min(-180).max(180).required(), Joi.number().min(-90).max(90).required()))
    .max(500),
  name: Joi.string().max(80).allow(''),
});
export const treeSchema: Joi.Schema = Joi.alternatives(
  condition,
  Joi.object({ all: Joi.array().items(Joi.link('#tree')).required() }),
  Joi.object({ any: Joi.array().items(Joi.link('#tree')).required() }),
  Joi.object({ none: Joi.array().items(Joi.link('#tree')).required() }),
).id('tree');

const id = Joi.string().pattern(/^\d{1,18}$/, 'id');
/** What a list of contacts is asked for. */
export const questionSchema = Joi.object({
  q: Joi.string().max(200).allow(''),
  /** A kept segment. */
  segment: id,
  /** A tree as JSON text, as links carry it. */
  where: Joi.string().max(20_000),
  stage: Joi.string().max(60),
  measure: Joi.string().valid(...MEASURE_KEYS),
  agent: id,
  door: id,
  roster: id,
  /** `3-14`: Wednesday from 14:00. */
  hour: Joi.string().pattern(/^[1-7]-(\d|1\d|2[0-3])$/, 'hour of the week'),
  days: Joi.number().integer().min(1).max(3_660),
});
/** A search, a kept segment, a tree of its own, a number of Results: what a list of contacts is asked for. */
export type Question = ValueOf<typeof questionSchema>;

/**
 * A tree that may be asked: of contacts, or (`of` lead) of an inquiry that is being routed. A field that is gone is let through: the
 * segment then says so instead of failing.
 * @throws AppError input_invalid with the place that is wrong
 */
export function readTree(input: unknown, fields: readonly FieldDef[] = [], of: 'contacts' | 'lead' = 'contacts'): Tree {
  const { value: tree, error } = treeSchema.validate(input, { convert: false });
  if (error) throw wrong('tree', 'is not a segment');
  let count = 0;
  const walk = (one: Tree, path: string, depth: number): void => {
    if (depth > MOST_DEPTH) throw wrong(path, `is nested deeper than ${MOST_DEPTH} groups`);
    if (!isCondition(one)) return branchesOf(one).trees.forEach((next, at) => walk(next, `${path}.${at}`, depth + 1));
    if ((count += 1) > MOST_CONDITIONS) throw wrong(path, `has more than ${MOST_CONDITIONS} conditions`);
    const subject = subjectOf(one.on, fields);
    if (!subject && one.on.startsWith('field:')) return;
    if (!subject || (of === 'contacts' && isOfLead(one.on))) throw wrong(path, `asks about “${one.on}”, which doesn’t exist`);
    if (!HOWS[subject.kind].includes(one.how))
      throw wrong(path, `“${one.on}” cannot be asked “${one.how}”; it can be asked ${HOWS[subject.kind].join(', ')}`);
    const needs: Record<string, string[]> = {
      any: ['of'],
      all: ['of'],
      none: ['of'],
      within: ['n', 'unit'],
      not_within: ['n', 'unit'],
      longer_ago: ['n', 'unit'],
      coming: ['n', 'unit'],
      contains: ['text'],
      begins: ['text'],
      is: ['text'],
      at: ['days', 'from', 'to'],
      inside: ['ring'],
      outside: ['ring'],
    };
    for (const key of needs[one.how] ?? [])
      if ((one as Record<string, unknown>)[key] === undefined) throw wrong(path, `needs “${key}”`);
    const bounds = [(one as { from?: unknown }).from, (one as { to?: unknown }).to].filter((bound) => bound != null);
    if (one.how === 'between' && bounds.some((bound) => typeof bound !== 'number')) throw wrong(path, 'needs numbers');
    if (one.how === 'at' && bounds.some((bound) => !/^\d\d:\d\d$/.test(String(bound)))) throw wrong(path, 'needs clock times');
    if (one.how === 'on_days' && bounds.some((bound) => !/^\d{4}-/.test(String(bound)))) throw wrong(path, 'needs days');
  };
  walk(tree as Tree, 'tree', 0);
  return tree as Tree;
}

const wrong = (field: string, message: string): AppError =>
  new AppError('input_invalid', 'Can’t read this segment.', { fields: [{ field, message }] });

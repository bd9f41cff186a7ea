import Joi from 'joi';
import { typed, type SentFor, type ValueOf } from '.';

/** Compiles only when the two types are the same. */
type Same<One, Other> = (<T>() => T extends One ? 1 : 2) extends <T>() => T extends Other ? 1 : 2 ? true : false;
const same = <Is extends true>(is: Is): void => expect(is).toBe(true);
/** The keys one by one, however the type was put together. */
type Flat<T> = { [Key in keyof T]: T[Key] };

const schema = Joi.object({
  name: Joi.string().trim().min(1).required(),
  state: Joi.string().valid('on', 'off'),
  limit: Joi.number().integer().default(50),
  tags: Joi.array().items(Joi.string()).default([]),
  horizon: Joi.string().allow(null).required(),
  at: Joi.date(),
});

test('what comes out of an object has its keys, those with a default always', () => {
  same<
    Same<
      Flat<ValueOf<typeof schema>>,
      { name: string; limit: number; tags: string[]; horizon: string | null; state?: 'on' | 'off'; at?: Date }
    >
  >(true);
  expect(schema.validate({ name: ' Oda ', horizon: null }).value).toEqual({ name: 'Oda', limit: 50, tags: [], horizon: null });
});

test('what is sent may leave out what has a default', () => {
  const sent: SentFor<typeof schema> = { name: 'Oda', horizon: 'hot' };
  expect(schema.validate(sent).error).toBeUndefined();
  /* @ts-expect-error -- the name is required */
  const nameless: SentFor<typeof schema> = { horizon: null };
  expect(schema.validate(nameless).error?.message).toMatch(/"name" is required/);
  /* @ts-expect-error -- this is no state */
  const flying: SentFor<typeof schema> = { name: 'Oda', horizon: null, state: 'flying' };
  expect(schema.validate(flying).error?.message).toMatch(/must be one of/);
});

test('alternatives, lists of several kinds, tuples, patterns and more keys are known', () => {
  const day = [Joi.string().valid('easter'), Joi.number()];
  const several = Joi.object({
    who: Joi.alternatives(Joi.object({ id: Joi.string().required() }), Joi.valid('all')).required(),
    days: Joi.array()
      .items(...day)
      .required(),
    corner: Joi.array().ordered(Joi.number().required(), Joi.number().required()).required(),
    by: Joi.object().pattern(Joi.string(), Joi.number()).required(),
  }).keys({ more: Joi.boolean() });
  type Several = ValueOf<typeof several>;
  same<Same<Several['who'], { id: string } | 'all'>>(true);
  same<Same<Several['days'], ('easter' | number)[]>>(true);
  same<Same<Several['by'], Record<string, number>>>(true);
  same<Same<Several['more'], boolean | undefined>>(true);
  const [longitude, latitude] = several.validate({ who: 'all', days: ['easter', 3], corner: [1, 2], by: { a: 1 } }).value!.corner;
  expect([longitude, latitude]).toEqual([1, 2]);
});

test('a schema that refers to itself has its type said', () => {
  interface Tree {
    all: Tree[];
  }
  const tree = typed<Tree>(Joi.object({ all: Joi.array().items(Joi.link('#tree')).required() }).id('tree'));
  same<Same<ValueOf<typeof tree>, Tree>>(true);
  expect(tree.validate({ all: [{ all: [] }] }).error).toBeUndefined();
  expect(tree.validate({ all: [{ any: [] }] }).error).toBeDefined();
});

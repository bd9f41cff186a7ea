import Joi from 'joi';
import { fieldErrors } from '.';

const place = Joi.object({ do: Joi.valid('move').required(), place: Joi.string().required() });
const words = Joi.object({ do: Joi.valid('say').required(), words: Joi.string().max(3).required() });
const schema = Joi.object({ step: Joi.alternatives(place, words) });
const errorsOf = (step: unknown) => fieldErrors(schema.validate({ step }, { abortEarly: false, convert: false }).error!);

test('what fits none of several shapes is told by the shape that it is most like', () => {
  expect(errorsOf({ do: 'say', words: 'too long' })).toEqual([
    { field: 'step.words', message: 'step.words length must be less than or equal to 3 characters long' },
  ]);
  expect(errorsOf({ do: 'move', place: 3 })).toEqual([{ field: 'step.place', message: 'step.place must be a string' }]);
});

test('what is none of them at all is told what it must be', () => {
  expect(errorsOf('say')).toEqual([{ field: 'step', message: 'must be an object' }]);
});

test('where a word tells the shapes apart, all of them are to choose from', () => {
  expect(errorsOf({ do: 'sing', words: 'la' })).toEqual([{ field: 'step.do', message: 'step.do must be one of move, say' }]);
});

/** Words of a message made to take long, or to be a name that every object has. */
import { describe, expect, it } from '@jest/globals';
import { MERGE_FIELDS, renderWords } from '../merge';
import { checkWords } from './check';
import { ownTime } from '../../shared/own-time';

const LENGTH = 20_000;
const FILLINGS = [
  'a',
  'A',
  '{{',
  '{%',
  '{a|b}',
  '{a|',
  '{{ x }}',
  ' ',
  'a ',
  'AAAA ',
  '! ',
  '@',
  'a.',
  'a-',
  '$a',
  '. a',
  'no ',
  'http://',
  '{{a|b',
  '<',
  '{',
  '}',
  '|',
  '\n',
];

describe('words made to take long', () => {
  it.each(FILLINGS)('%j, twenty thousand signs of it', (filling) => {
    const text = filling.repeat(Math.floor(LENGTH / filling.length));
    const took = ownTime();
    for (const channel of ['text', 'email'] as const)
      expect(Array.isArray(checkWords({ channel, words: { subject: filling.repeat(100), text, plain: text }, fields: [] }))).toBe(
        true,
      );
    expect(took()).toBeLessThan(3_000);
  });
  it.each(['constructor', 'toString', '__proto__', 'hasOwnProperty', 'field.constructor', 'field.__proto__'])(
    '{{%s}} is no field',
    (name) => {
      expect(renderWords(`Hi {{${name}}}`, MERGE_FIELDS)).toBeNull();
      expect(renderWords(`Hi {{${name} | default: "you"}}`, MERGE_FIELDS)).toBe('Hi you');
      const words = { text: `Hi {{${name}}}`, plain: `Hi {{${name}}}` };
      expect(checkWords({ channel: 'text', words, fields: [] }).some(({ level }) => level === 'error')).toBe(true);
    },
  );
});

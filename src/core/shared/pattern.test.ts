import fc from 'fast-check';
import { describe, expect, it } from '@jest/globals';
import { anyPattern, escapePattern, ownPattern, textPattern } from './pattern';

describe('expressions with text from outside', () => {
  it('take any text for itself alone', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 40 }), (text) => {
        expect(textPattern('u')`^${text}$`.exec(text)?.[0]).toBe(text);
        expect(ownPattern(escapePattern(text), 'u').test(text)).toBe(true);
      }),
    );
    expect(textPattern('iu')`^hello ${'A*b (Jo'}$`.test('hello a*B (jo')).toBe(true);
    expect(textPattern('')`^${'a+'}$`.test('aaa')).toBe(false);
  });
  it('keep expressions within them as a whole', () => {
    expect(textPattern('')`^${/a|b/}c$`.test('bc')).toBe(true);
    expect(textPattern('')`^${/a|b/}c$`.test('a')).toBe(false);
    expect('1 and a'.match(anyPattern([/\d/, /a(?!n)/], 'g'))).toEqual(['1', 'a']);
  });
});

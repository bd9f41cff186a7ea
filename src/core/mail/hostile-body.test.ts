/** Bodies made to take long, as anybody may send them to a door for programs. */
import { describe, expect, it } from '@jest/globals';
import { readInquiry } from '../capture/schemas';
import { AppError } from '../shared';
import { inquiryOfBody, placesOf } from './body';
import { quickerTime } from '../shared/own-time';

const DOOR = { source: null, defaults: {} };
const MOST_MS = 1_500;
const FIELDS = [
  'email',
  'name',
  'phone',
  'message',
  'address',
  'city',
  'budget',
  'price',
  'bedrooms',
  'listing',
  'move date',
  'permission',
  'x',
];
const FILLINGS: Record<string, string> = {
  'one letter': 'a',
  'at signs': 'a@',
  points: 'a.',
  digits: '5',
  blanks: ' ',
  'capital words': 'Ab ',
  angles: '<a@',
  brackets: '(',
  dollars: '$5-',
  questions: 'q? ',
};

const read = (body: unknown): unknown => {
  try {
    return readInquiry(inquiryOfBody(body, {}, DOOR));
  } catch (error) {
    if (error instanceof AppError) return error.code;
    throw error;
  }
};

describe('bodies made to take long', () => {
  it.each(FIELDS)('%s, filled with anything', (field) => {
    for (const filling of Object.values(FILLINGS)) {
      const body = { [field]: filling.repeat(Math.floor(250_000 / filling.length)), phone_number: '(564) 555-0123' };
      expect([filling, quickerTime(MOST_MS, () => read(body)) < MOST_MS]).toEqual([filling, true]);
    }
  });
  it('of many fields, of many levels, of many labels', () => {
    const many = Object.fromEntries(Array.from({ length: 20_000 }, (_, n) => [`email ${n}`, `a${n}@b.example`]));
    let deep: unknown = 'a@b.example';
    for (let n = 0; n < 5_000; n += 1) deep = { name: 'email', value: [deep] };
    for (const body of [many, deep, { ['email '.repeat(40_000)]: 'a@b.example' }, Object.values(many)]) {
      expect(quickerTime(MOST_MS, () => read(body))).toBeLessThan(MOST_MS);
    }
    expect(placesOf(many)).toHaveLength(500);
  });
  it('say what can be read of them', () => {
    expect(
      read({ email: 'oda@b.example', name: 'Oda Brandvold', message: 'Hello. '.repeat(2_000), note: 'x'.repeat(100_000) }),
    ).toMatchObject({
      firstName: 'Oda',
      emails: ['oda@b.example'],
      message: expect.stringMatching(/^(?:Hello\. ){1999}/),
    });
  });
});

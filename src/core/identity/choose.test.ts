/** Who somebody is among those who have their address, and that no row of arrivals makes one person of two. */
import * as fc from 'fast-check';
import { describe, expect, it } from '@jest/globals';
import { chooseIdentity, fullerName, matchedBy, matchSentence, namesAgree, preparedKnown, writtenName, type Identity } from '.';

const identity = (name: string, addresses: string[] = ['+15645550101']): Identity => ({
  name,
  addresses,
  home: null,
  birthday: null,
});
const known = (id: string, name: string, addresses?: string[], formerNames: string[] = []) =>
  preparedKnown({ ...identity(name, addresses), id, formerNames });

describe('whoever comes in', () => {
  it('is the one of several whose name agrees, and shares with the others', () => {
    const choice = chooseIdentity(identity('Hattie Osierby'), [known('1', 'George Osierby'), known('2', 'Harriet Osierby')]);
    expect([choice.same?.id, choice.sharing.map(({ id }) => id)]).toEqual(['2', ['1']]);
  });
  it('is the one with more of the addresses, then the one of the exact name', () => {
    const both = ['+15645550101', 'h@cove.example'];
    expect(chooseIdentity(identity('', both), [known('1', 'George'), known('2', 'Harriet', both)]).same?.id).toBe('2');
    expect(chooseIdentity(identity('Harriet Osierby'), [known('1', 'H. Osierby'), known('2', 'Harriet Osierby')]).same?.id).toBe(
      '2',
    );
  });
  it('is nobody for a placeholder, and asked about where a former name contradicts', () => {
    expect(chooseIdentity(identity('Oda', ['+10000000000']), [known('1', 'Oda', ['+10000000000'])])).toEqual({
      same: null,
      ask: [],
      sharing: [],
    });
    const choice = chooseIdentity(identity('Alexandra Dune'), [known('1', 'Alex Dune', undefined, ['Alexander Dune'])]);
    expect([choice.same, choice.ask.map(({ id }) => id)]).toEqual([null, ['1']]);
  });
  it('is decided for a reason that can be said', () => {
    const people = [known('1', 'George Osierby'), known('2', 'Harriet Quill')];
    const sentence = (name: string) => {
      const matched = matchedBy(chooseIdentity(identity(name), people), (id) =>
        id === '1' ? 'George Osierby' : 'Harriet Quill',
      );
      return matched && matchSentence(matched);
    };
    expect(sentence('George Osierby')).toBe('Matched to George Osierby: the same phone and the same name.');
    expect(sentence('Harriet Osierby')).toBe('New contact, may be Harriet Quill: the same phone, but the names don’t match.');
    expect(sentence('Martha Tarn')).toBe('New contact, shares a phone with George Osierby and Harriet Quill.');
  });
});

const GIVEN = [
  'Harriet',
  'Hattie',
  'H',
  'George',
  'Alex',
  'Alexander',
  'Alexandra',
  'Sam',
  'Samuel',
  'Samantha',
  'Jo',
  'José',
  'Josefina',
  'Pat',
  'Patrick',
  'Patricia',
  '',
];
const FAMILY = ['Osierby', 'Quill', 'Osierby-Quill', 'O', ''];
const arrivals = fc.array(
  fc.record({
    given: fc.constantFrom(...GIVEN),
    family: fc.constantFrom(...FAMILY),
    address: fc.constantFrom('+15645550101', 'a@cove.example'),
  }),
  { maxLength: 8 },
);

it('no sequence of arrivals makes one of two people whose names disagree', () => {
  fc.assert(
    fc.property(arrivals, (sequence) => {
      const people: { id: string; first: string; last: string; addresses: string[]; names: string[] }[] = [];
      for (const { given, family, address } of sequence) {
        const name = `${given} ${family}`.trim();
        const { same } = chooseIdentity(
          identity(name, [address]),
          people.map(({ id, first, last, addresses, names }) => known(id, `${first} ${last}`.trim(), addresses, names)),
        );
        const mine = people.find(({ id }) => id === same?.id);
        if (mine) {
          Object.assign(mine, fullerName(mine, { first: given, last: family }));
          mine.names.push(name);
        } else people.push({ id: String(people.length), first: given, last: family, addresses: [address], names: [name] });
      }
      for (const { names } of people)
        for (const one of names)
          for (const other of names) expect([one, other, namesAgree(one, other)]).not.toEqual([one, other, 'other']);
    }),
    { numRuns: 400 },
  );
});

it('names of every script and kind are read without an end in a second, and agree with themselves', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme', maxLength: 300 }), (text) => {
      expect(['nobody', 'people', 'family', 'company']).toContain(writtenName(text).kind);
      expect(['same', 'open']).toContain(namesAgree(text, text));
    }),
    { numRuns: 500 },
  );
  for (const hostile of [
    '& '.repeat(20_000),
    'and '.repeat(20_000),
    '('.repeat(50_000),
    'a, '.repeat(20_000),
    '9.'.repeat(50_000),
    '"'.repeat(50_000),
  ]) {
    const began = performance.now();
    namesAgree(hostile, 'Oda Brandvold');
    expect(performance.now() - began).toBeLessThan(1_000);
  }
});

import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { confirmationOf, readRefusal } from './refusal';

/** What the set says of each sentence, as `stop`, `stop(call,text)`, … */
const read = (file: string): [string, string][] =>
  readFileSync(join(__dirname, '../../../tests/data/refusals', file), 'utf8')
    .split('\n')
    .filter(Boolean)
    .map((line) => line.split('\t') as [string, string]);
function told(sentence: string): string {
  const refusal = readRefusal(sentence, { channel: 'text', names: ['Oda', 'Brandvold'] });
  if (!refusal) return 'none';
  if (refusal.kind !== 'stop') return refusal.kind;
  return refusal.channels.join() === 'text' ? 'stop' : `stop(${refusal.channels.join()})`;
}
const wrong = (file: string) =>
  read(file).flatMap(([is, sentence]) => (told(sentence) === is ? [] : [[sentence, is, told(sentence)]]));

describe('refusals', () => {
  it('of the set that was learned on', () => {
    expect(wrong('learn.txt')).toEqual([]);
  });
  it('of the set that nobody looked at: nearly all, and no refusal is lost', () => {
    const missed = wrong('measure.txt');
    expect(missed.length).toBeLessThanOrEqual(3);
    expect(missed.filter(([, is, found]) => /^(?:stop|wrong)/.test(is!) && found === 'none')).toEqual([]);
  });
  it('are answered once, in plain words', () => {
    expect(confirmationOf({ kind: 'stop', channels: ['call', 'text'] }, 'text', 'Tern & Tiller Realty')).toEqual({
      text: 'Tern & Tiller Realty: You’re unsubscribed. You won’t get any more calls and texts from us.',
    });
    expect(confirmationOf({ kind: 'unclear' }, 'text', 'X')).toBeNull();
    expect(confirmationOf({ kind: 'wrong_person' }, 'text', 'X')).toBeNull();
  });
  it('take no longer than their length', () => {
    for (const filling of ['stop ', 'no ', 'do not ', 'a', ' ', 'text or call ', '.']) {
      const began = performance.now();
      readRefusal(filling.repeat(10_000), { channel: 'text', names: ['Oda'] });
      expect(performance.now() - began).toBeLessThan(500);
    }
  });
});

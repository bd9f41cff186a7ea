/** 300 pairs of people, written before the matcher: no two are made one, nearly all that are one are found or asked about. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { cleanEmail, cleanPhone } from '../capture';
import { compareIdentities, homeOf, type Identity, type IdentityVerdict } from '.';

interface Pair {
  line: string;
  expected: IdentityVerdict;
  found: IdentityVerdict;
}
const OWN = 'own:';
const addressOf = (text: string): string =>
  cleanEmail(text) ?? cleanPhone(/^\d{3}-\d{4}$/.test(text) ? `564-${text}` : text) ?? text;

function identityOf(text: string, own: Set<string>): Identity {
  const [name = '', addresses = '', home = '', birthday = ''] = text.split(';').map((part) => part.trim());
  const place = /^(.*), (\D+?)(?: (\d{5}))?$/.exec(home);
  return {
    name,
    addresses: addresses
      .split(',')
      .map((one) => one.trim())
      .filter(Boolean)
      .map((one) => {
        const address = addressOf(one.replace(OWN, ''));
        if (one.startsWith(OWN)) own.add(address);
        return address;
      }),
    home: place && homeOf(place[1], place[2], place[3]),
    birthday: birthday || null,
  };
}

const pairsOf = (file: string): Pair[] =>
  readFileSync(join(__dirname, '../../../tests/data/pairs', file), 'utf8')
    .split('\n')
    .filter((line) => line && !line.startsWith('#'))
    .map((line) => {
      const [, expected, one, other] = /^(\w+): (.*) <> (.*)$/.exec(line)!;
      const own = new Set<string>();
      const [mine, theirs] = [identityOf(one!, own), identityOf(other!, own)];
      return {
        line,
        expected: expected as IdentityVerdict,
        found: compareIdentities(mine, theirs, (address) => own.has(address)).verdict,
      };
    });

describe.each(['seen.txt', 'held.txt'])('%s', (file) => {
  const pairs = pairsOf(file);
  const linesOf = (expected: IdentityVerdict, found: IdentityVerdict): string[] =>
    pairs.filter((pair) => pair.expected === expected && pair.found === found).map(({ line }) => line);

  it('no different pair is joined', () => expect(linesOf('different', 'same')).toEqual([]));
  it('of the same pairs at least 95 in a hundred are joined or asked about', () => {
    const same = pairs.filter(({ expected }) => expected === 'same').length;
    const lost = linesOf('same', 'different');
    expect(lost.length).toBeLessThanOrEqual(same * 0.05);
  });
});

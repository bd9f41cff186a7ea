/** All checks of the words of a message. Errors keep it from being used, warnings do not. */
import { CHANNELS } from '../../contacts';
import { MERGE_FIELDS, renderWords } from '../merge';
import { partsOf, type TextParts } from '../parts';
import { likeness, shinglesOf, type Shingles } from '../similar';
import { listVariants, mostWordings } from '../variants';
import { checkFields } from './fields';
import { checkFilters } from './filters';
import type { Checked, Finding } from './finding';
import { checkHousing } from './housing';
import { checkReading } from './reading';

/** Another template, to be compared with. */
export interface Other {
  id: string;
  name: string;
  shingles: Shingles;
}
/** From here on two templates say the same; filters see it as one text sent too often, and a comparison of the two shows nothing. */
const TOO_ALIKE = 0.6;
/** Costs and filters mind long texts. */
const MANY_PARTS = 3;
const OPT_OUT = /\bstop\b/i;
const SAYS_WHO = /\{\{\s*(?:brokerage|agent_name|agent_first_name|agent_signature)\b/;

const filled = (source: string): string => {
  try {
    return renderWords(source, { ...MERGE_FIELDS, team: 'yes' }) ?? source;
  } catch {
    return source;
  }
};

/** The parts that the longest wording of a text takes, its fields filled in with values of usual length. */
export const longestParts = (source: string): TextParts =>
  listVariants(source, mostWordings(source, 500))
    .map((wording) => partsOf(filled(wording)))
    .reduce((most, one) => (one.parts > most.parts || (one.parts === most.parts && one.units > most.units) ? one : most));

/**
 * @param others the templates of the account it may be too like, without itself
 * @returns errors first
 */
export function checkWords(checked: Checked, others: readonly Other[] = []): Finding[] {
  const found = [...checkFields(checked), ...checkReading(checked), ...checkFilters(checked), ...checkHousing(checked)];
  const { namesSender, isInParts } = CHANNELS[checked.channel];
  if (namesSender) found.push(...checkSender(checked));
  if (isInParts) found.push(...checkParts(checked));
  found.push(...checkAlike(checked, others));
  return found.sort((a, b) => Number(b.level === 'error') - Number(a.level === 'error'));
}
export const hasErrors = (findings: readonly Finding[]): boolean => findings.some(({ level }) => level === 'error');

const SAYS_NO_SENDER: Omit<Finding, 'part'> = {
  rule: 'sender',
  level: 'warning',
  at: null,
  message: 'It doesn’t say who it’s from.',
  because: 'Carriers want your name in the first text. Urraca adds it for new contacts, but it reads better in your own words.',
};
const SAYS_NO_WAY_OUT: Omit<Finding, 'part'> = {
  rule: 'opt_out',
  level: 'warning',
  at: null,
  message: 'It doesn’t say how to opt out.',
  because:
    'The first text must say it (47 CFR 64.1200). Urraca adds “Reply STOP to opt out.” when it’s missing. Later texts don’t need it.',
};
const bodiesOf = ({ words }: Checked) =>
  (['text', 'plain'] as const).map((part) => ({ part, source: words[part] })).filter(({ source }) => source.trim());

/** Sender and way out. The first message to somebody gets both by itself where they are missing. */
const checkSender = (checked: Checked): Finding[] =>
  bodiesOf(checked).flatMap(({ part, source }) => [
    ...(SAYS_WHO.test(source) ? [] : [{ ...SAYS_NO_SENDER, part }]),
    ...(OPT_OUT.test(source) ? [] : [{ ...SAYS_NO_WAY_OUT, part }]),
  ]);

/** Length in parts, and signs that make a part hold less. */
function checkParts(checked: Checked): Finding[] {
  const found: Finding[] = [];
  for (const { part, source } of bodiesOf(checked)) {
    const { parts, alphabet, outside } = longestParts(source);
    if (parts > MANY_PARTS)
      found.push({
        rule: 'parts',
        level: 'warning',
        part,
        at: null,
        message: `It takes ${parts} parts.`,
        because: 'You pay for each part, and some phones show them separately or out of order.',
      });
    if (alphabet === 'UCS-2') {
      const from = source.indexOf(outside[0]!);
      found.push({
        rule: 'parts',
        level: 'warning',
        part,
        at: from < 0 ? null : { from, to: from + outside[0]!.length },
        message: `“${outside.slice(0, 5).join('')}” isn’t a standard text character, so each part holds 70 characters instead of 160.`,
        because: 'Use straight quotes and plain dashes.',
      });
    }
  }
  return found;
}

function checkAlike({ words }: Checked, others: readonly Other[]): Finding[] {
  if (!others.length || !words.text.trim()) return [];
  const own = shinglesOf(words.text);
  if (own.hashes.size < 6) return [];
  const [nearest] = others
    .map((other) => ({ other, alike: likeness(own, other.shingles) }))
    .filter(({ alike }) => alike >= TOO_ALIKE)
    .sort((a, b) => b.alike - a.alike);
  if (!nearest) return [];
  return [
    {
      rule: 'alike',
      level: 'warning',
      part: 'text',
      at: null,
      message: `It is ${Math.round(nearest.alike * 100)}% the same as “${nearest.other.name}”.`,
      because: 'Contacts who get both will read the same thing twice, and spam filters flag repeated messages.',
    },
  ];
}

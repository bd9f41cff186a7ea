/**
 * What carriers and mail filters dislike: words of offers that are too good, shouting, disguised words, links without HTTPS. Disguise is
 * shown and never offered: who spells a word so that a filter misses it is taken for the one whom the filter is there for.
 */
import { CHANNELS } from '../../contacts';
import { partsIn, placesOf, type Checked, type Finding } from './finding';

const DISLIKED: [RegExp, string][] = [
  [/\b(?:100 ?%|fully)? ?free (?:gift|money|cash|quote|offer|access)\b/gi, 'promises something free'],
  [/\bguarantee(?:d|s)?\b/gi, 'guarantees'],
  [/\bact (?:now|fast|today)\b/gi, 'presses'],
  [/\b(?:limited[- ]time|offer expires|last chance|don[’']t miss out|hurry (?:up|now)|hurry(?=!))/gi, 'presses'],
  [/\b(?:click|tap) (?:here|below|now)\b/gi, 'says “click here” instead of where the link goes'],
  [/\b(?:congratulations[,!]* you|you[’']ve (?:won|been selected)|winner|claim your)\b/gi, 'sounds like a prize'],
  [/\b(?:cash (?:offer|now|for your)|fast cash|quick cash|easy money|extra income|debt[- ]free)\b/gi, 'talks about quick money'],
  [/\b(?:no (?:obligation|strings attached|hidden fees|credit check)|risk[- ]free)\b/gi, 'is overly insistent'],
  [/\b(?:lowest (?:rate|price)s?|best (?:rate|price)s?|once in a lifetime|unbeatable|incredible deal)\b/gi, 'boasts'],
  [/\b(?:urgent|important notice|final notice|immediate action)\b/gi, 'alarms'],
  [/\${2,}|!{2,}|\?{2,}/g, 'repeats signs'],
];
const SHOUT = /\b[A-Z]{3,}(?:\s+[A-Z]{2,}){2,}\b|\b[A-Z]{4,}(?:\s+[A-Z]{3,})+\b|\b[A-Z]{6,}\b/g;
const OPT_OUT_LINE = /^(?:STOP|HELP|UNSUBSCRIBE|CANCEL|QUIT)$/;

const ZERO_WIDTH = /[\u00AD\u200B-\u200F\u2060\uFEFF]/g;
/** A word of Latin letters with a Greek or Cyrillic one that looks like a Latin one. */
const MIXED = /(?=[\p{L}\p{M}]*\p{Script=Latin})(?=[\p{L}\p{M}]*[\p{Script=Cyrillic}\p{Script=Greek}])[\p{L}\p{M}]{2,}/gu;
const PARTED = /\b(?:[A-Za-z][ .*_-]){3,}[A-Za-z]\b/g;
const DIGITS_INSIDE = /\b(?=[a-z0-9$@]*[a-z])(?:[a-z]+[0134$@][a-z0134$@]+|[$@][a-z]{3,})\b/gi;
const BECAUSE_DISLIKED = 'Spam filters count words like this. A few of them can send your message to spam, or nowhere.';
const BECAUSE_DISGUISED = 'Filters recognize disguised words. Say it plainly, or leave it out.';

/** Fields and addresses are not words of the message, nor is a run of signs that no word is as long as. */
const blanked = (source: string): string =>
  source
    .replace(/\S{200,}/g, (run) => run.slice(0, 100) + ' '.repeat(run.length - 100))
    .replace(/\{\{[^{}]*\}\}|\{%[^{}]*%\}|\bhttps?:\/\/\S+|[^\s@]+@[^\s@.]+\.\S+/g, (hit) => ' '.repeat(hit.length));

export function checkFilters(checked: Checked): Finding[] {
  if (!CHANNELS[checked.channel].isFiltered) return [];
  return partsIn(checked).flatMap(({ part, source }) => {
    const words = blanked(source);
    const found: Finding[] = [];
    for (const [pattern, what] of DISLIKED)
      for (const { from, to, text } of placesOf(words, pattern))
        found.push({
          rule: 'filter_word',
          level: 'warning',
          part,
          at: { from, to },
          message: `“${text}” ${what}.`,
          because: BECAUSE_DISLIKED,
        });
    for (const { from, to, text } of placesOf(words, SHOUT))
      if (!OPT_OUT_LINE.test(text))
        found.push({
          rule: 'filter_word',
          level: 'warning',
          part,
          at: { from, to },
          message: `“${text}” is in all caps.`,
          because: BECAUSE_DISLIKED,
        });
    const disguises: [RegExp, (text: string) => string, (text: string) => boolean][] = [
      [ZERO_WIDTH, () => 'There’s an invisible character.', () => true],
      [MIXED, (text) => `“${text}” mixes letters of two scripts that look alike.`, () => true],
      [PARTED, (text) => `“${text}” splits a word into letters.`, (text) => !/^(?:[A-Z]\.)+/.test(text)],
      [DIGITS_INSIDE, (text) => `“${text}” uses symbols in place of letters.`, (text) => !/^\d|^[a-z]{1,2}\d+$/i.test(text)],
    ];
    for (const [pattern, say, counts] of disguises)
      for (const { from, to, text } of placesOf(words, pattern))
        if (counts(text))
          found.push({
            rule: 'disguised',
            level: 'warning',
            part,
            at: { from, to },
            message: say(text),
            because: BECAUSE_DISGUISED,
          });
    for (const { from, to, text } of placesOf(source, /\bhttp:\/\/[^\s"'<>)]+/gi))
      found.push({
        rule: 'link',
        level: 'warning',
        part,
        at: { from, to },
        message: `“${text}” is a link without HTTPS.`,
        because: 'Browsers warn about these pages, and spam filters hold it against you.',
      });
    return found;
  });
}

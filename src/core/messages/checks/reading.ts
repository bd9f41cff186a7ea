/** Whether each wording reads right: no doubled spaces, no space before a comma, “an” before a vowel, a capital where a sentence begins. */
import { formatNumber } from '../../format';
import { MERGE_FIELDS, renderWords } from '../merge';
import { countVariants, listVariants, mostWordings } from '../variants';
import { partsIn, type Checked, type Finding, type MessagePart } from './finding';

/** So many wordings are read; a text with more is read in part, and says so. */
const MOST_READ = 2_000;
const SHOWN = 3;

interface Slip {
  what: string;
  text: string;
}
const AN: [RegExp, string][] = [
  [/\b[Aa] (?=[aeio](?!ne\b|nce\b|u)|hour\b|honest|heir)/g, '“a” before a vowel'],
  [/\b[Aa]n (?=[bcdfghjklmnpqrstvwxyz][a-z])/g, '“an” before a consonant'],
];
/** What begins with a vowel and is spoken with a consonant, or the other way round. */
const SPOKEN = /^(one|once|uni|use|usual|eu|ewe|hour|honest|heir|x-)/i;

/** What reads wrong in a wording, each kind once. */
export function slipsIn(text: string): Slip[] {
  const slips: Slip[] = [];
  const add = (what: string, at: number, length: number) => {
    if (!slips.some((one) => one.what === what))
      slips.push({
        what,
        text: text
          .slice(Math.max(0, at - 14), at + length + 14)
          .replace(/\n/g, ' ')
          .trim(),
      });
  };
  for (const { index, 0: hit } of text.matchAll(/\S( {2,})(?=\S)/g)) add('doubled spaces', index, hit.length);
  for (const { index, 0: hit } of text.matchAll(/\p{L}( [,.;!?])(?![.\p{N}])/gu))
    add('a space before punctuation', index, hit.length);
  for (const { index, 0: hit } of text.matchAll(/[,;]{2,}|,\.|(?<!\.)\.\.(?!\.)/g)) add('double punctuation', index, hit.length);
  for (const [pattern, what] of AN)
    for (const { index, 0: hit } of text.matchAll(pattern)) {
      const next = text.slice(index + hit.length);
      if (!SPOKEN.test(next) && !/^[A-Z]{2,}/.test(next)) add(what, index, hit.length + 8);
    }
  for (const { index, 0: hit } of text.matchAll(/(?<![.\p{Lu}]\p{L}?)[.!?]\s+(?=\p{Ll})/gu))
    if (!/\b(?:e\.g|i\.e|etc|St|Mr|Mrs|Ms|Dr|a\.m|p\.m|no)\.$/i.test(text.slice(0, index + 1)))
      add('a sentence that doesn’t start with a capital', index, hit.length + 8);
  if (/^\s*\p{Ll}/u.test(text)) add('a start without a capital', 0, 14);
  return slips;
}

/** Wordings of a part with variants, as a check reads them. */
export interface WordingSample {
  part: MessagePart;
  /** How many wordings there are. */
  count: number;
  /** Those that were read, filled in with example values: all of them where they are not very many. */
  sample: { text: string; slips: Slip[] }[];
  /** Whether all were read. */
  whole: boolean;
}

/** Every wording of each part with what reads wrong in it, those that do first. */
export function readings(checked: Checked): WordingSample[] {
  const values = {
    ...MERGE_FIELDS,
    team: 'yes',
    ...Object.fromEntries(checked.fields.map((name) => [`field.${name.trim().toLowerCase()}`, name])),
  };
  return partsIn(checked)
    .filter(({ source }) => source.trim())
    .map(({ part, source }) => {
      const count = countVariants(source);
      const most = mostWordings(source, MOST_READ);
      const wordings = listVariants(source, most).map((wording) => {
        const text = filledOrSo(wording, values);
        return { text, slips: slipsIn(text) };
      });
      return {
        part,
        count,
        whole: count <= most,
        sample: wordings.sort((a, b) => b.slips.length - a.slips.length),
      };
    });
}
const filledOrSo = (wording: string, values: object): string => {
  try {
    return renderWords(wording, values) ?? wording;
  } catch {
    return wording;
  }
};

export function checkReading(checked: Checked): Finding[] {
  return readings(checked).flatMap(({ part, sample }) => {
    const wrong = sample.filter(({ slips }) => slips.length > 0);
    const kinds = new Map<string, { n: number; text: string }>();
    for (const { slips } of wrong)
      for (const { what, text } of slips)
        kinds.set(what, { n: (kinds.get(what)?.n ?? 0) + 1, text: kinds.get(what)?.text ?? text });
    return [...kinds].slice(0, SHOWN + 3).map(([what, { n, text }]): Finding => {
      const at = placeOf(part === 'subject' ? (checked.words.subject ?? '') : checked.words[part], text);
      return {
        rule: 'reads_wrong',
        level: 'warning',
        part,
        at,
        message:
          sample.length > 1
            ? `${n === sample.length ? `All ${formatNumber(n)} wordings have` : n === 1 ? 'One wording has' : `${formatNumber(n)} wordings have`} ${what}: “${text}”.`
            : `It has ${what}: “${text}”.`,
        because: 'People notice, and it looks automated.',
      };
    });
  });
}

/** Where the slip stands in the words as they are written, by the longest run of it that stands there. */
function placeOf(source: string, text: string): { from: number; to: number } | null {
  for (let length = text.length; length >= 6; length -= 1)
    for (let from = 0; from + length <= text.length; from += 1) {
      const at = source.indexOf(text.slice(from, from + length));
      if (at >= 0) return { from: at, to: at + length };
    }
  return null;
}

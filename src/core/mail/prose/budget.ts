/** What somebody would spend, and whether a sum is the most or the least of it. */
import type { MailWants } from '../mail';
import { sumsIn } from '../values';

const MOST =
  /(?<!\p{L})(?:up to|(?:no|not|nothing) (?:over|above)|max(?:imum|imal)?|maks(?:imal\p{L}*)?|inntil|limit|at most|no más de|maximaal|(?:no|not) more than|less than|under|below|hasta|fins a|máximo|como mucho|bis(?: zu)?|höchstens|jusqu['’]à|maximum|massimo|fino a|tot|até|do(?=\s*$)|upp till|opp til|op til|budget|ceiling|spend|borrow|afford|(?:can|could) go (?:up )?to|(?:pre-?)?approved(?: to| for)?|en fazla|bütçe\p{L}*|budżet\p{L}*|бюджет\p{L}*|до|orçamento|presupuesto|rozpočet|بحد أقصى|حد أقصى|حتى)(?!\p{L})/iu;
const LEAST =
  /(?<!\p{L})(?:at least|minimum|min|over|above|from|starting at|desde|mínimo|a partir de|ab|mindestens|à partir de|minimo|vanaf)(?!\p{L})/iu;

const UNITS =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(
    ' ',
  );
const TENS = 'zero ten twenty thirty forty fifty sixty seventy eighty ninety'.split(' ');
const SPELLED = new RegExp(
  `\\b((?:(?:${[...UNITS.slice(1), ...TENS.slice(2)].join('|')}|a|hundred|and)[\\s-]+){1,8})(thousand|million)\\b`,
  'giu',
);
/** `nine hundred dollars`, and nothing else that is counted. */
const HUNDREDS = new RegExp(
  `\\b(${UNITS.slice(1).join('|')}|a) hundred(?:\\s+(?:and\\s+)?(${TENS.slice(1).join('|')}))?(?=\\s+(?:dollars|an? month|per month))`,
  'giu',
);
const hundreds = (_: string, count: string, tens?: string): string =>
  String(Math.max(UNITS.indexOf(count.toLowerCase()), 1) * 100 + (tens ? TENS.indexOf(tens.toLowerCase()) * 10 : 0));
/** Thousands in words as digits: `two hundred and ten thousand`. */
export const inDigits = (text: string): string =>
  text
    .replace(SPELLED, (whole: string, words: string, scale: string) => {
      let sum = 0;
      for (const word of words.toLowerCase().split(/[\s-]+/)) {
        if (word === 'hundred') sum = Math.max(sum, 1) * 100;
        else if (UNITS.includes(word)) sum += UNITS.indexOf(word);
        else if (TENS.includes(word)) sum += TENS.indexOf(word) * 10;
      }
      return sum || /\ba\b/i.test(words) ? `${Math.max(sum, 1)} ${scale}` : whole;
    })
    .replace(HUNDREDS, hundreds);

/** A bare figure right behind words that name a limit, and before nothing that counts something else: `we can borrow 365,000`. */
const LIMITED = new RegExp(`${MOST.source}(?:\\s+(?:of|is|at|about|around))?\\s*$`, 'iu');
const COUNTS_MONEY = /^\s*\d{1,3}(?:[.,]\d{3})+(?!\d)\s*(?:$|[.,;!?)]|and\b|or\b)|^\s*\d{4,7}\s*(?:$|[.,!?)])/u;
const isLimit = (text: string, at: number): boolean =>
  LIMITED.test(text.slice(Math.max(0, at - 40), at)) && COUNTS_MONEY.test(text.slice(at));

/** So many letters stand between the two sums of a range at most: `and at most`. */
const LONGEST_BETWEEN = 12;

/** A budget: two sums are a range, one is the most unless its words say the least. */
export function budgetIn(text: string, labelled = false): Pick<MailWants, 'priceMin' | 'priceMax'> {
  const sums = sumsIn(text).filter(
    ({ value, sure, monthly, at }) => value >= (labelled || monthly ? 100 : 1_000) && (labelled || sure || isLimit(text, at)),
  );
  if (!sums.length) return {};
  if (sums.length > 1) {
    const [a, b] = [sums[0]!, sums[1]!];
    const between = text.slice(a.at, b.at);
    const range = /[–—-]|\bto\b|\band\b|\by\b|\ba\b|\bbis\b|\bund\b|\bà\b|\bet\b/u;
    if (range.test(between) && between.replace(/[\d.,$€£\s]/g, '').length <= LONGEST_BETWEEN && a.value <= b.value)
      return { priceMin: a.value, priceMax: b.value };
  }
  const before = (at: number) => text.slice(Math.max(0, at - 60), at + 1);
  const sum = sums.find(({ at }) => MOST.test(before(at))) ?? sums[0]!;
  const most =
    /^[^.!?\p{L}]{0,20}(?:\p{L}{1,8}\.?\s+){0,3}(?:au plus|au maximum|maximum|max|at most|or less|tops|máximo|como máximo|al massimo|maximal|höchstens)(?!\p{L})/iu.test(
      text.slice(sum.at),
    );
  if (!most && LEAST.test(before(sum.at)) && !MOST.test(before(sum.at))) return { priceMin: sum.value };
  return labelled || most || MOST.test(before(sum.at)) ? { priceMax: sum.value } : {};
}

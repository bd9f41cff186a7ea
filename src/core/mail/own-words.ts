/** Which of the words of a mail are those of the lead, and which of the service around them. */
import { unquoted, type Draft } from './draft';
import { meaningOf } from './labels';
import { isService, readLines } from './lines';
import { personName } from './values';

/** Words without the lines that are nothing but a labelled way to reach somebody, and without those of the service. */
export const withoutFacts = (words: string): string => {
  const facts = readLines(words)
    .entries.filter(({ label }) => ['phone', 'email'].includes(meaningOf(label) ?? ''))
    .map(({ label, value }) => `${label}${value}`.replace(/[\s:.]/g, ''));
  return words
    .split('\n')
    .filter((line) => !facts.includes(line.replace(/[\s:.]/g, '')) && !isService(line))
    .join('\n')
    .trim();
};

/** What the lead said in a conversation that was written down: `[10:02] Anton: I want to rent`. */
export function theirTurns(body: string, first: string | null): string {
  const turns = [
    ...body.matchAll(
      /^[ \t]*(?:[[(]?\d{1,2}:\d{2}(?::\d{2})?(?: ?[ap]\.?m\.?)?[\])]?[ \t]*(?:[-–][ \t]*)?)?(\p{L}[\p{L} ]{0,30}):[ \t]+(\S.*)$/gimu,
    ),
  ];
  const theirs = turns.filter(
    ([, who, words]) =>
      (/^(?:visitor|guest|customer|client|lead|prospect|user|caller|you)$/i.test(who!) || who === first) &&
      / /.test(words!) &&
      !personName(words!),
  );
  return theirs.length && theirs.length < turns.length ? theirs.map(([, , words]) => words).join('\n') : '';
}

/** A question of somebody who wants to know; one that asks you is a form's. */
const asks = (line: string): boolean =>
  /^(?!need|questions|why|want|not|having|can['’]t)\p{Lu}.{12,}\?$/iu.test(line) &&
  !/\byou\p{L}*\b/iu.test(line) &&
  line.split(/\s+/).length >= 4;

/** What a lead says between the lines of a service: what stands in quotes, or speaks of itself, or asks. */
export function ownWords(prose: string): string {
  const read = readLines(prose);
  const lines = read.prose.map((line) => line.trim());
  /* `Reply to box 17: “…”` */
  const told = read.entries.map(({ value }) => value).filter((value) => value.split(' ').length > 4);
  const quoted = [...lines, ...told].filter((line) => /^["“„«].{8,}["”“»]$/su.test(line));
  const speaks = (line: string): boolean =>
    /\b(?:I|I['’]m|we|my|me|us)\b/.test(line) && !/\byou(?:['’]ve| have) (?:received|got)\b/i.test(line);
  const own = quoted.length ? quoted : lines.filter((line) => speaks(line) || asks(line));
  return own.map(unquoted).join('\n');
}

/** What the service says around the lead's own words, line by line. */
export const serviceWords = (prose: string, { message }: Draft): string =>
  readLines(prose)
    .prose.filter((line) => line.trim() && !message.includes(line.trim()))
    .join('\n');

/** Where in a text what was read from it stands, also where it is written in another way: a phone with other separators, words with other space. */
import { anyPattern, escapePattern, ownPattern } from '../shared';

/** Where something stands in a text. */
export type Span = [start: number, end: number];

/** National digits of a phone in any grouping; words with any space between them. */
function patternOf(value: string): RegExp {
  const digits = value.replace(/\D/g, '');
  if (/^\+\d{8,15}$/.test(value))
    return ownPattern(
      digits
        .slice(-Math.min(10, digits.length - 1))
        .split('')
        .join('[\\s().\\-/·]{0,3}'),
      'iu',
    );
  return ownPattern(value.trim().split(/\s+/).map(escapePattern).join('\\s+'), 'iu');
}

/** @returns the places of the values, in order, none within another; a longer value wins */
export function marksIn(text: string, values: readonly string[]): Span[] {
  const wanted = [...new Set(values.map((value) => value.trim()))].filter((value) => value.length > 1);
  if (!wanted.length) return [];
  const pattern = anyPattern(wanted.sort((a, b) => b.length - a.length).map(patternOf), 'giu');
  return [...text.matchAll(pattern)].filter(([found]) => found).map((match) => [match.index, match.index + match[0].length]);
}

/** What a check says of the words of a message: where, how bad, and why it matters. */
import { CHANNELS, type Channel } from '../../contacts';
import type { Words } from '../words';

/** A part of a message that a check may point at. */
export type MessagePart = 'subject' | 'text' | 'plain';
/** A rule that the words of a message are checked by. */
export type Rule =
  | 'empty'
  | 'too_long'
  | 'syntax'
  | 'unknown_field'
  | 'plain_unknown'
  | 'plain_missing'
  | 'reads_wrong'
  | 'parts'
  | 'sender'
  | 'opt_out'
  | 'filter_word'
  | 'disguised'
  | 'housing'
  | 'alike'
  | 'link';

/** What a check found in the words of a message, and where. */
export interface Finding {
  rule: Rule;
  /** An error keeps the words from being used, a warning does not. */
  level: 'error' | 'warning';
  part: MessagePart;
  /** Where in the part, in UTF-16 units; null for the part as a whole. */
  at: { from: number; to: number } | null;
  message: string;
  because: string;
}

/** What is checked: words, their channel, and what the account knows. */
export interface Checked {
  channel: Channel;
  words: Words;
  /** The names of the account's own fields. */
  fields: readonly string[];
}

/** The parts that a message of the channel has, with their words. */
export function partsIn({ channel, words }: Pick<Checked, 'channel' | 'words'>): { part: MessagePart; source: string }[] {
  return [
    ...(CHANNELS[channel].hasSubject ? [{ part: 'subject' as const, source: words.subject ?? '' }] : []),
    { part: 'text', source: words.text },
    { part: 'plain', source: words.plain },
  ];
}

/** All places of a pattern, which must be global. */
export const placesOf = (source: string, pattern: RegExp): { from: number; to: number; text: string }[] =>
  [...source.matchAll(pattern)].map((match) => ({
    from: match.index,
    to: match.index + match[0].length,
    text: match[0],
  }));

/** The words of a message as they go to one person by a channel: filled in, with what the channel asks for, without what it cannot carry. */
import { CHANNELS, type Channel } from '../contacts';
import { fillWords, type Filled, type MergeFields } from './merge';
import { withSender } from './sender';
import type { Words } from './words';

/** Words as they go. `files` are ids in the account's own storage. */
export interface OutgoingWords extends Filled {
  files: string[];
}

/**
 * @param seed picks among the wordings: the same seed, the same words
 * @param textedBefore whether they were told before who writes to them by this channel, and how to have no more
 */
export function fillFor(
  channel: Channel,
  words: Words,
  fields: MergeFields,
  { seed, textedBefore }: { seed?: string; textedBefore: boolean },
): OutgoingWords {
  const { namesSender, hasBlocks } = CHANNELS[channel];
  const filled = fillWords(words, fields, { seed });
  return {
    ...filled,
    text:
      namesSender && !textedBefore ? withSender(filled.text, fields.agent_first_name ?? '', fields.brokerage ?? '') : filled.text,
    html: hasBlocks ? filled.html : null,
    files: hasBlocks ? (words.files ?? []).map(({ id }) => id) : [],
  };
}

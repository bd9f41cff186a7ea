/** The table of search words. */
import { bigint, table, text } from '../shared';

export const searchWordsTable = table('search_words', {
  account_id: bigint(),
  word: text(),
});

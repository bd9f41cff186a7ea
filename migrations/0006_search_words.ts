/**
 * The words of names, companies and towns, each as good as once, so that a mistyped word is compared with words and not with
 * every person (docs/decisions/0004). Not unique on purpose: nobody waits for somebody else who brings in the same new word.
 */
import type { Migration } from './migration';

const up = `
create extension if not exists fuzzystrmatch;
create table search_words (
  account_id bigint not null references accounts,
  word text not null
);
create index search_words_by_word on search_words (account_id, word);
insert into search_words (account_id, word)
  select distinct c.account_id, w from contacts c, regexp_split_to_table(lower(unaccent(concat_ws(' ', c.first_name, c.last_name, c.company, c.city))), '[^[:alpha:]]+') w
  where length(w) between 4 and 40;
create index search_words_trigram on search_words using gin (word gin_trgm_ops);
`;

export const searchWords: Migration = { name: '0006_search_words', up: (run) => run(up) };

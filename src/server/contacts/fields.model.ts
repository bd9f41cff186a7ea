/** The table of fields. */
import { bigint, id, instant, int, made, orNull, table, text, texts } from '../shared';

export const fieldsTable = table('fields', {
  id: id(),
  account_id: bigint(),
  name: text(),
  kind: text<'text' | 'number' | 'money' | 'date' | 'yearly' | 'choice' | 'choices' | 'flag' | 'contact'>(),
  choices: made(texts()),
  position: int(),
  made_at: instant(),
  deleted_at: orNull(instant()),
});

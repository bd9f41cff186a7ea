/** Why something was not saved, below its form: the sentence, and what is wrong with which field. */
import { capitalized } from '@/core/shared';
import { Problem, wordsOf } from '../primitives/api';
import { Text } from './layout';

/** @param named says which field each is about, where a form has many */
export function ErrorMessage({ error, named }: { error: unknown; named?: boolean }) {
  if (!error) return null;
  return (
    <Text as="p" tone="late" role="alert">
      {errorSentence(error, named)}
    </Text>
  );
}

/** The same in words, for where a line stands already. */
export function errorSentence(error: unknown, named = false): string {
  const fields = error instanceof Problem ? error.fields : [];
  if (!fields.length) return wordsOf(error);
  return `${wordsOf(error)} ${fields.map(({ field, message }) => (named ? `${fieldWords(field)}: ${message}` : message)).join('; ')}`;
}

/** A field of the API as a person would name it: `members.2.daily_cap` is “Member 3, daily cap”. */
export function fieldWords(field: string): string {
  const words: string[] = [];
  for (const part of field.split('.')) {
    if (/^\d+$/.test(part)) words.push(`${(words.pop() ?? 'line').replace(/s$/, '')} ${Number(part) + 1}`);
    else words.push(part.replace(/_id$/, '').replaceAll('_', ' '));
  }
  return capitalized(words.join(', '));
}

/** Why something was not kept, below its form: the sentence, and what is wrong with which field. */
import { Problem, wordsOf } from '../primitives/api';

/** @param named says the fields by name, where a form has many */
export function ErrorMessage({ error, named }: { error: unknown; named?: boolean }) {
  if (!error) return null;
  return (
    <p className="late" role="alert">
      {errorSentence(error, named)}
    </p>
  );
}

/** The same in words, for where a line stands already. */
export function errorSentence(error: unknown, named = false): string {
  const fields = error instanceof Problem ? error.fields : [];
  if (!fields.length) return wordsOf(error);
  return `${wordsOf(error)} ${fields.map(({ field, message }) => (named ? `${field}: ${message}` : message)).join('; ')}`;
}

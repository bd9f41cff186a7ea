/** Why something was not kept, below its form: the sentence, and what is wrong with which field. */
import { Problem, wordsOf } from './api';

/** @param named says the fields by name, where a form has many */
export function Fault({ error, named }: { error: unknown; named?: boolean }) {
  if (!error) return null;
  const fields = error instanceof Problem ? error.fields : [];
  return (
    <p className="late" role="alert">
      {fields.length
        ? `${wordsOf(error)} ${fields.map(({ field, message }) => (named ? `${field}: ${message}` : message)).join('; ')}`
        : wordsOf(error)}
    </p>
  );
}

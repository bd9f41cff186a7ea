/** Forms that are sent without our API, before somebody is logged in: what they hold, and what is answered when it was not right. */
import { AppError } from '@/core/shared';

/** The named fields as text; what is missing is empty. */
export const textsOf = <Name extends string>(form: FormData, names: readonly Name[]): Record<Name, string> =>
  Object.fromEntries(names.map((name) => [name, String(form.get(name) ?? '').slice(0, 1_000)])) as Record<Name, string>;

/** What is wrong, at its fields where it has some, beside what was typed. @throws what is no fault of the form's */
export function actionError<Typed extends Record<string, string>>(
  error: unknown,
  typed: Typed,
): { typed: Typed; errors: Record<string, string>; message: string | null } {
  if (!(error instanceof AppError)) throw error;
  const fields = error.facts.fields ?? [];
  return {
    typed,
    errors: Object.fromEntries(fields.map(({ field, message }) => [field.split('.')[0]!, message])),
    message: fields.length ? null : error.message,
  };
}

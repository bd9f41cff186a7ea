/** Whom a change is for: people named one by one, or everybody whom a question finds. Always within what the person may see. */
import type { Question } from '@/core/segments';
import { AppError } from '@/core/shared';
import type { Scope } from '@/core/accounts';
import { contactsFrom, visible } from '../contacts';
import { readQuestion } from '../segments';

export interface Selection {
  ids?: string[];
  question?: Question;
  except?: string[];
  /** Everybody with a tag, in a stage, with a horizon, out of sight or not; only for taking it away. */
  tag?: string;
  stage?: string;
  horizon?: string;
}

/** SQL that selects the ids of a selection as `id`, with its values added to `bind`. */
export async function selectionSql(scope: Scope, selection: Selection, bind: unknown[]): Promise<string> {
  if (selection.tag)
    return `select c.id from contacts c join contact_tags ct on ct.contact_id = c.id where c.account_id = $${bind.push(scope.accountId)} and ct.tag_id = $${bind.push(selection.tag)}`;
  for (const axis of ['stage', 'horizon'] as const)
    if (selection[axis])
      return `select c.id from contacts c where c.account_id = $${bind.push(scope.accountId)} and c.${axis} = $${bind.push(selection[axis])}`;
  if (selection.ids) {
    const where = visible(scope, bind);
    return `select c.id from contacts c where ${where} and c.id = any($${bind.push(selection.ids)}::bigint[])`;
  }
  if (!selection.question)
    throw new AppError('input_invalid', 'No one is selected.', {
      fields: [{ field: 'selection', message: 'needs “ids” or “question”' }],
    });
  const { from, where } = contactsFrom(scope, await readQuestion(scope, selection.question), bind);
  const except = selection.except?.length ? ` and c.id <> all($${bind.push(selection.except)}::bigint[])` : '';
  return `select c.id from ${from} where ${where}${except}`;
}

/** What keeps a plan of the right shape from being used. */
import { checkFields } from '../messages';
import type { FieldError } from '../shared';
import { stepsIn, type Plan } from './plan';

const MOST_STEPS = 300;

/**
 * Per step: `steps.3` is the step with the id 3. A draft may have faults; a campaign that is on may not.
 * @param fields the names of the account's own fields; without them, any may be used
 */
export function planErrors(plan: Plan, fields?: readonly string[]): FieldError[] {
  const all = stepsIn(plan.steps);
  const errors: FieldError[] = [];
  const problem = (step: number, message: string) => errors.push({ field: `steps.${step}`, message });
  if (!all.length) errors.push({ field: 'steps', message: 'There is no step yet. Add a first touch.' });
  if (all.length > MOST_STEPS) errors.push({ field: 'steps', message: `There are more than ${MOST_STEPS} steps.` });
  if (new Set(all.map((step) => step.id)).size < all.length)
    errors.push({ field: 'steps', message: 'Two steps have the same id.' });
  for (const step of all) {
    if (step.do === 'task' && !step.note.trim()) problem(step.id, 'The task says nothing.');
    if (step.do === 'branch' && !step.yes.length && !step.no.length) problem(step.id, 'Ways part here, and both are empty.');
    if (step.do === 'talk' && !step.questions.length) problem(step.id, 'The conversation asks nothing.');
    if (step.do === 'talk' && step.questions.some(({ words }) => !words.trim())) problem(step.id, 'A question has no words.');
    if (step.do !== 'touch') continue;
    for (const { message, rule } of checkFields({ channel: step.channel, words: step.words, fields: fields ?? [] }))
      if (fields || rule !== 'unknown_field' || !message.startsWith('There is no field')) problem(step.id, message);
  }
  if (plan.repeat && plan.steps.length && plan.repeat.days < 1)
    errors.push({ field: 'repeat', message: 'It would begin again at once.' });
  return errors;
}

/** What keeps a plan of the right shape from being used. */
import { checkFields } from '../messages';
import type { FieldFault } from '../shared';
import { stepsIn, type Plan } from './plan';

const MOST_STEPS = 300;

/**
 * Per step: `steps.3` is the step with the id 3. A draft may have faults; a campaign that is on may not.
 * @param fields the names of the account's own fields; without them, any may be used
 */
export function faultsOfPlan(plan: Plan, fields?: readonly string[]): FieldFault[] {
  const all = stepsIn(plan.steps);
  const faults: FieldFault[] = [];
  const fault = (step: number, message: string) => faults.push({ field: `steps.${step}`, message });
  if (!all.length) faults.push({ field: 'steps', message: 'There is no step yet. Add a first touch.' });
  if (all.length > MOST_STEPS) faults.push({ field: 'steps', message: `There are more than ${MOST_STEPS} steps.` });
  if (new Set(all.map((step) => step.id)).size < all.length)
    faults.push({ field: 'steps', message: 'Two steps have the same id.' });
  for (const step of all) {
    if (step.do === 'task' && !step.note.trim()) fault(step.id, 'The task says nothing.');
    if (step.do === 'branch' && !step.yes.length && !step.no.length) fault(step.id, 'Ways part here, and both are empty.');
    if (step.do === 'talk' && !step.questions.length) fault(step.id, 'The conversation asks nothing.');
    if (step.do === 'talk' && step.questions.some(({ words }) => !words.trim())) fault(step.id, 'A question has no words.');
    if (step.do !== 'touch') continue;
    for (const { message, rule } of checkFields({ channel: step.channel, words: step.words, fields: fields ?? [] }))
      if (fields || rule !== 'unknown_field' || !message.startsWith('There is no field')) fault(step.id, message);
  }
  if (plan.repeat && plan.steps.length && plan.repeat.days < 1)
    faults.push({ field: 'repeat', message: 'It would begin again at once.' });
  return faults;
}

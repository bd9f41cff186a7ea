/** What keeps a plan of the right shape from being used. */
import { fieldsIn, MERGE_FIELDS } from '../messages';
import type { FieldFault } from '../shared';
import { stepsIn, type Plan } from './plan';

const MOST_STEPS = 300;
const TEXT_MOST = 1_600;

/** Per step: `steps.3` is the step with the id 3. A draft may have faults; a campaign that is on may not. */
export function faultsOfPlan(plan: Plan): FieldFault[] {
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
    if (step.do !== 'touch') continue;
    const { text, plain, subject } = step.words;
    if (!text.trim()) fault(step.id, 'There are no words.');
    if (step.channel === 'text' && text.length > TEXT_MOST) fault(step.id, `A text has at most ${TEXT_MOST} signs.`);
    if ((step.channel === 'email' || step.channel === 'letter') && !subject?.trim()) fault(step.id, 'There is no subject.');
    const unknown = [...fieldsIn(text), ...fieldsIn(plain), ...fieldsIn(subject ?? '')].filter(
      (field) => !field.startsWith('field.') && !(MERGE_FIELDS as readonly string[]).includes(field),
    );
    if (unknown.length) fault(step.id, `Nothing is known as “${unknown[0]}”.`);
    const missing = fieldsIn(plain).filter((field) => !ALWAYS_KNOWN.has(field));
    if (text.trim() && !plain.trim()) fault(step.id, 'There is no plain version for when something is not known.');
    else if (missing.length) fault(step.id, `The plain version has “${missing[0]}” in it, which may not be known.`);
  }
  if (plan.repeat && plan.steps.length && plan.repeat.days < 1)
    faults.push({ field: 'repeat', message: 'It would begin again at once.' });
  return faults;
}
/** What every contact has: somebody answers for them. */
const ALWAYS_KNOWN = new Set(['agent_first_name', 'agent_name', 'agent_phone', 'brokerage']);

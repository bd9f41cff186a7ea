/** What keeps a plan of the right shape from being used. */
import { checkFields } from '../messages';
import type { FieldError } from '../shared';
import { stepsIn, type Plan, type Step } from './plan';

const MOST_STEPS = 300;

/**
 * Per step: `steps.3` is the step with the id 3. A draft may have errors; a campaign that is on may not.
 * @param fields the names of the account's own fields; without them, any may be used
 */
export function planErrors(plan: Plan, fields?: readonly string[]): FieldError[] {
  const all = stepsIn(plan.steps);
  const errors: FieldError[] = [];
  if (!all.length) errors.push({ field: 'steps', message: 'No steps yet. Add a first touch.' });
  if (all.length > MOST_STEPS) errors.push({ field: 'steps', message: `There are more than ${MOST_STEPS} steps.` });
  if (new Set(all.map((step) => step.id)).size < all.length)
    errors.push({ field: 'steps', message: 'Two steps have the same id.' });
  for (const step of all) for (const message of stepErrors(step, fields)) errors.push({ field: `steps.${step.id}`, message });
  if (plan.repeat && plan.steps.length && plan.repeat.days < 1)
    errors.push({ field: 'repeat', message: 'It would repeat right away.' });
  return errors;
}

function stepErrors(step: Step, fields: readonly string[] | undefined): string[] {
  switch (step.do) {
    case 'task':
      return step.note.trim() ? [] : ['The task is empty.'];
    case 'branch':
      return step.yes.length || step.no.length ? [] : ['This branch is empty.'];
    case 'talk':
      if (!step.questions.length) return ['The conversation has no questions.'];
      return step.questions.some(({ words }) => !words.trim()) ? ['A question is empty.'] : [];
    case 'touch':
      return checkFields({ channel: step.channel, words: step.words, fields: fields ?? [] })
        .filter(({ rule, message }) => fields || rule !== 'unknown_field' || !message.startsWith('There is no field'))
        .map(({ message }) => message);
    case 'change':
      return [];
  }
}

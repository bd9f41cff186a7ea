/** What somebody looks for, in their own words: where, how large, for how much. */
import type { MailWants } from '../mail';
import { budgetIn, inDigits } from './budget';
import { areasIn, OWNED, withoutTown } from './places';
import { BUYER } from './roles';
import { roomsInProse } from './rooms';

/** What somebody looks for, in their own words. */
export function wantsIn(text: string): MailWants {
  const plain = inDigits(text.replace(/\s+/g, ' '));
  const areas = areasIn(withoutTown(text));
  return { ...sentencesBudget(plain), ...roomsInProse(plain), ...(areas.length ? { areas } : {}) };
}
const LIMIT = /\b(?:budget|ceiling|spend|afford|limit)\b/iu;
const sentencesBudget = (text: string): MailWants => {
  for (const sentence of text.split(/(?<=[.!?…])\s+/)) {
    if (OWNED.test(sentence) && !BUYER.test(sentence) && !LIMIT.test(sentence)) continue;
    const budget = budgetIn(sentence);
    if (Object.keys(budget).length) return budget;
  }
  return {};
};

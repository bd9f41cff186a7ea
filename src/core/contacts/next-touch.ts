/** The day a person is due: the earliest open promise or call task, or else the last touch plus the rhythm of the horizon. */
import { DAY } from '../shared';
import { HORIZONS, isFollowedUp, stepOf, type Horizon, type Stage } from './vocabulary';

/** The day a contact is due, and by what. */
export interface NextTouch {
  at: Date;
  kind: 'promise' | 'call' | 'rhythm';
}

/**
 * @param openTask the earliest task that is not done, if any
 * @param from the last touch, or the arrival when there was none
 * @param rhythms days per horizon as the account set them
 */
export function nextTouch(
  stage: Stage,
  horizon: Horizon | null,
  openTask: { dueAt: Date; kind: 'promise' | 'call' } | null,
  from: Date,
  rhythms: Partial<Record<string, number>> = {},
): NextTouch | null {
  const step = stepOf(stage);
  if (step === 'archived') return null;
  if (openTask) return { at: openTask.dueAt, kind: openTask.kind };
  if (!horizon) return null;
  if (!isFollowedUp(step) && step !== 'client' && step !== 'past_client') return null;
  const days = rhythms[horizon] ?? HORIZONS.find((one) => one.key === horizon)?.rhythmDays;
  if (!days) return null;
  return { at: new Date(from.getTime() + days * DAY), kind: 'rhythm' };
}

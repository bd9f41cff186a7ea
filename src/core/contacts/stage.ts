/** The moves a stage makes by itself, so that it never lies: New to Reaching at the first attempt, to Talking at the first conversation or answer. */
import { isAnswer, isConversation, isHumanTry, type Activity } from './activity';
import { stepOf, type Stage } from './vocabulary';

/** The stage after an activity; the same stage when nothing moves. Later stages are never moved back. */
export function stageAfter(stage: Stage, activity: Activity): Stage {
  const step = stepOf(stage);
  if (step !== 'new' && step !== 'reaching') return stage;
  if (isAnswer(activity) || isConversation(activity)) return 'talking';
  return step === 'new' && isHumanTry(activity) ? 'reaching' : stage;
}

export {
  decideTouch,
  firstDue,
  type RunningCampaign,
  type EnrollmentState,
  type FoundWords,
  type TouchDecision,
  type TouchedContact,
  type TouchEffect,
} from './engine';
export {
  mayTouch,
  quietUntil,
  UNKNOWN_PERMISSION,
  type Guardrails,
  type PermissionState,
  type TouchQuestion,
  type Verdict,
} from './guardrails';
export {
  daysOf,
  freshId,
  NO_PLAN,
  programOf,
  stepsIn,
  TASK_ROLES,
  type Ask,
  type BranchStep,
  type ContactUpdate,
  type Ends,
  type Plan,
  type Program,
  type Start,
  type Step,
  type TaskRole,
  type ConversationStep,
  type TouchStep,
  type StepTiming,
  type Words,
  type WordsFrom,
} from './plan';
export { CampaignForecast, withoutWords, type DayForecast, type Forecast, type RehearsedContact, type Under } from './rehearsal';
export { nextYearly, plannedAt, roundStart, type Anchors } from './schedule';
export { NEW_BUYER, STARTERS, type Starter } from './starters';
export {
  CAMPAIGN_STATES,
  type CampaignRehearsalView,
  type CampaignState,
  type CampaignView,
  type EnrollmentView,
  type StepCount,
} from './views';
export { meaningFor, placeIn, type EnrollmentPosition, type EnrollmentProgress, type VersionPreview } from './version-move';
export { planErrors } from './plan-errors';
export { added, copied, emptyStep, mapSteps, moved, removed, replaced, stepWords, whenWords } from './edit';
export { holidayOn, MOVABLE_HOLIDAYS, NAMED_HOLIDAYS, nextWorkday } from './holidays';

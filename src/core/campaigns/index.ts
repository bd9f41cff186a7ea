export { dayOf, NEW_BUYER, plannedAt, type Campaign, type Touch, type TouchTime, type Words } from './campaign';
export { decideTouch, type EnrolmentState, type TouchDecision, type TouchedContact, type TouchEffect } from './engine';
export {
  DEFAULT_GUARDRAILS,
  mayTouch,
  quietUntil,
  UNKNOWN_PERMISSION,
  type Guardrails,
  type PermissionState,
  type TouchQuestion,
  type Verdict,
} from './guardrails';
export { type CampaignView, type EnrolmentView } from './views';

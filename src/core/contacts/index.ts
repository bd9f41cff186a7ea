export { rhythmSentence, sentenceOf, type Because } from './because';
export {
  ACTIVITY_KINDS,
  isAnswer,
  isConversation,
  isHumanTry,
  type Activity,
  type ActivityData,
  type ActivityKind,
  type Direction,
} from './activity';
export { foldFact, handRaisedAt, noFacts, type Facts } from './facts';
export { nextTouch, type NextTouch } from './next-touch';
export { stageAfter } from './stage';
export {
  CHANNELS,
  CHANNEL_NAMES,
  CONTACT_ROLES,
  FOLLOWED_UP,
  HORIZONS,
  HORIZON_KEYS,
  horizonName,
  STAGES,
  STAGE_KEYS,
  stageName,
  type Channel,
  type ContactRole,
  type Horizon,
  type Stage,
} from './vocabulary';
export { type ContactView, type PermissionsView, type TimelineItem } from './views';

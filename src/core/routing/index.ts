export { answerOf, type OfferAnswer } from './answer';
export { rungsForSource, treeForSource, verdictFor } from './by-source';
export { circleOf, longestWay, shadowedRungs } from './check';
export {
  decide,
  knownOfLead,
  NOTIFY,
  partsOf,
  readyLadder,
  type Decided,
  type Fixed,
  type Ladder,
  type LeadFacts,
  type Notify,
  type ReadyLadder,
  type Rung,
} from './ladder';
export { leadOf } from './lead';
export { startIn, nextRoutingStep, type NetCause, type RoutingState, type RoutingStep } from './next-step';
export {
  RoutingRehearsal,
  Tally,
  unevenness,
  type Habits,
  type RehearsalOutcome,
  type PastInquiry,
  type RoutingForecast,
} from './rehearse';
export {
  HAND_OUT_NAMES,
  HAND_OUTS,
  hundredths,
  isAway,
  isOffered,
  nextInTurn,
  skipOf,
  turnOrder,
  type HandOut,
  type Member,
  type Roster,
  type Skipped,
  type Then,
  type Turn,
} from './roster';
export { sentenceOfStep, skippedWords, type AnsweredBy, type Trace, type TraceStep } from './trace';
export type {
  LadderVersionView,
  LadderView,
  MyOfferView,
  OfferView,
  RehearsalView,
  SourceRoute,
  RehearsedInquiryView,
  RosterMemberView,
  RosterView,
  RungView,
  TraceView,
} from './views';

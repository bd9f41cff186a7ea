export { rhythmSentence, sentenceOf, type Because } from './because';
export {
  ACTIVITY_KINDS,
  isAnswer,
  isAppointment,
  isConversation,
  isHumanTry,
  type Activity,
  type ActivityData,
  type ActivityKind,
  type Direction,
  TIMELINE_GROUPS,
  TIMELINE_GROUP_KEYS,
  type TimelineGroup,
} from './activity';
export {
  refusedBecause,
  refusedSentence,
  refusedWords,
  REFUSALS,
  type RefusalCode,
  type RefusalCounts,
  type RefusalEntry,
  type RefusalFacts,
} from './refusals';
export {
  ACTIVITIES,
  detailOf,
  foldFact,
  REPORTED_KINDS,
  type ActivityEntry,
  type ReportedKind,
  type TimelineLocale,
  type TimelineWords,
} from './activities';
export { handRaisedAt, noFacts, type Facts } from './facts';
export { nextTouch, type NextTouch } from './next-touch';
export { stageAfter } from './stage';
export {
  ADDRESS_KINDS,
  byChannel,
  channelNamed,
  CHANNEL_KEYS,
  CHANNELS,
  channelsTo,
  SEND_CHANNELS,
  type AddressKind,
  type Channel,
  type ChannelEntry,
  type SendChannel,
} from '../channels';
export {
  CLIENT_STAGES,
  CONTACT_ROLES,
  DATE_KINDS,
  DATE_NAMES,
  FOLLOWED_UP,
  HORIZONS,
  isFollowedUp,
  KEPT_STAGES,
  ROLE_NAMES,
  OWN_STEPS,
  STAGES,
  stageName,
  stepOf,
  type ContactRole,
  type OwnStep,
  type DateKind,
  type Horizon,
  type Stage,
  type BuiltInStage,
} from './vocabulary';
export { firstNamesTogether, namesTogether } from './names';
export {
  ADDRESS_USES,
  type AddressState,
  type AddressUse,
  type AddressView,
  type ContactView,
  type ImportantDate,
  type MoreView,
  type PermissionsView,
  type PlaceView,
  type TimelineItem,
} from './views';

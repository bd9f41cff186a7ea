export {
  ALWAYS_KNOWN,
  fieldsIn,
  fillWords,
  MERGE_FIELD_NAMES,
  MERGE_FIELDS,
  mergeFields,
  ownField,
  renderWords,
  type Filled,
  type MergeField,
  type MergeFields,
} from './merge';
export { chooseVariant, countVariants, groupsIn, listVariants, seededPick } from './variants';
export {
  checkFields,
  checkWords,
  hasErrors,
  longestParts,
  readings,
  type Checked,
  type Finding,
  type MessagePart,
  type Other,
  type WordingSample,
} from './checks';
export {
  docOfText,
  htmlOfDoc,
  htmlOfText,
  inert,
  MAIL_NODES,
  mailPage,
  textOfDoc,
  type MailDoc,
  type MailNode,
} from './mail-doc';
export {
  BROADCAST_PEOPLE,
  BROADCAST_STATE_WORDS,
  type BroadcastCounts,
  type BroadcastPeople,
  type BroadcastSelection,
  type BroadcastState,
  type BroadcastView,
  type Goes,
  type Reach,
} from './broadcast';
export { chanceOf, interval, winnerOf, type Rate } from './compare';
export { partsOf, type TextParts } from './parts';
export { likeness, shinglesOf, type Shingles } from './similar';
export { type AttachedFile, type Words } from './words';
export { suggestNext, SUGGESTION_WORDS, type Suggestion } from './suggest';
export { withSender } from './sender';
export { fillFor, type OutgoingWords } from './outgoing';
export { ownWords } from './own-words';
export { confirmationOf, readRefusal, type Refusal } from './refusal';
export { type ProviderAnswer } from './provider';
export {
  type AnswerView,
  type DeliveryCounts,
  type AbTestView,
  type CheckedView,
  type ParkedView,
  type TemplateView,
  type VariantView,
} from './views';

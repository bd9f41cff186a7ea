export { asked, asSentence, at as treeAt, besides, firstQuestion, negated, replaceAt, whole } from './edit';
export { daySpan, monthDays } from './days';
export { isInside, matches, plain, testOf, type Known, type Moment, type Test } from './matches';
export { hoursPhrase, piecesOf, segmentSentence, type NameOf, type Piece } from './sentence';
export {
  FIELD_KINDS,
  isOfLead,
  LEAD_SUBJECTS,
  SUBJECT_GROUPS,
  SUBJECTS,
  subjectOf,
  subjectOfField,
  type FieldDef,
  type FieldKind,
  type Subject,
  type SubjectGroup,
  type SubjectKey,
  type SubjectKind,
  type Vocabulary,
} from './subjects';
export {
  branchesOf,
  conditionsOf,
  EVERYBODY,
  HOWS,
  isCondition,
  mapConditions,
  withSource,
  seenBy,
  spanDays,
  spanMs,
  UNITS,
  type Condition,
  type How,
  type Tree,
  type TimeUnit,
} from './tree';
export type { Question } from './schemas';
export type { SegmentView, VocabularyView, Word } from './views';

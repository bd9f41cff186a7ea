export {
  describeBulkAction,
  isDeletion,
  LEFT_ALONE,
  previewSentence,
  restOf,
  type BulkAction,
  type ChangeKind,
  type ChangeNames,
  type LeftAlone,
} from './change';
export type { BulkActionInput, ContactSelection } from './schemas';
export { CHANGE_STATES, type ChangePreview, type ChangeState, type ChangeView } from './views';

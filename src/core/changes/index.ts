export { describeBulkAction, isDeletion, previewSentence, type BulkAction, type ChangeKind, type ChangeNames } from './change';
export type { BulkActionInput, ContactSelection } from './schemas';
export { CHANGE_STATES, type ChangePreview, type SelectionTag, type ChangeState, type ChangeView } from './views';

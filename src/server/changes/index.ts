export { findChange, listChanges } from './changes.repository';
export {
  cancelChange,
  createChange,
  previewChange,
  tagsOfSelection,
  undoChange,
  type BulkActionRequest,
} from './changes.service';
export { deactivateUser, reactivateUser } from './deactivation.service';
export { deleteField, deleteHorizon, deleteStage, deleteTag } from './deletion.service';
export { failChange, performChange, performUndo } from './perform.service';
export { selectionSql, type Selection } from './select';

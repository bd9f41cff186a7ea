export { findChange, listChanges } from './changes.repository';
export { cancelChange, createChange, deleteTag, previewChange, undoChange, type Asked } from './changes.service';
export { failChange, performChange, performUndo } from './perform.service';
export { selectionSql, type Selection } from './select';

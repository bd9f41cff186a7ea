export { findChange, listChanges } from './changes.repository';
export { cancelChange, createChange, previewChange, undoChange, type Asked } from './changes.service';
export { letLeave, letReturn } from './leaving.service';
export { deleteField, deleteHorizon, deleteStage, deleteTag } from './taking-away.service';
export { failChange, performChange, performUndo } from './perform.service';
export { selectionSql, type Selection } from './select';

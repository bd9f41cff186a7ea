export { BulkBar } from './bulk-bar';
export { ExportsDialog } from './exports-dialog';
export { HandTo } from './forms';
export { History, HistoryDialog } from './history';
export { choose, howMany, isChosen, NOBODY, selectionOf, type Chosen } from './selection';
export { TagChip, TagPicker } from './tag-picker';
export { ChangeWatchProvider, useChangeActions, useChangeWatch } from './watch';

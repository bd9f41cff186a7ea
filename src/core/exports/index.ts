export { csvCell, csvLine, inert } from './csv';
export { outgoingCells, outgoingHeadings } from './person';
export { folded, vcardOf } from './vcard';
export { labelLines, labelPlace, SHEETS, type LabelSheet, type SheetKey } from './sheets';
export { FILE_NAMES, FILE_TYPES } from './files';
export { EVERY, nextRun, rhythmWords, WEEKDAYS, type Rhythm } from './schedule';
export { EXPORT_FORMATS, type ExportFormat, type ExportOptions, type ExportView, type ScheduleView } from './views';

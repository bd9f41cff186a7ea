export { csvCell, csvLine, inert } from './csv';
export { outgoingCells, outgoingHeadings, type OutgoingPerson } from './person';
export { folded, vcardOf } from './vcard';
export { EXPORT_FORMATS, type ExportFormat, type ExportView } from './views';

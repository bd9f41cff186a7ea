export { importContext, importWords, type ImportContext } from './context';
export {
  findImport,
  findImportRow,
  importView,
  listImports,
  listLeft,
  partsOf,
  readImport,
  type ImportRow,
} from './imports.repository';
export { cancelImport, createImport, startImport, undoImport, updateImport } from './imports.service';
export {
  endImport,
  failImport,
  knownAddresses,
  refuseImport,
  rememberedColumns,
  reportImportScan,
  saveImportScan,
} from './progress.repository';
export { importChunk } from './import-chunk.service';
export { undoImportChunk } from './undo.service';

export { type AccountWords } from './words';
export { CardReader } from './cards';
export { groupOf, linkPartners, readCard, type CardGroup } from './card-person';
export { CsvReader, findDelimiter, readCsv, type CsvRecord } from './csv';
export { decoded, decoderName, sniff, type Sniffed, type TextEncoding } from './sniff';
export { PREVIEW_NAMES } from './preview-names';
export { TARGETS, meaningOf, plainHeading, type Target } from './headings';
export { LikenessFinder, type Likeness } from './likeness';
export { readName } from './names';
export { readPhones } from './addresses';
export { DOUBTS, type Doubt, type DoubtReason, type ImportedPerson, type Partner } from './person';
export { previewContact, previewOf, refused, type FileFormat, type Preview, type PreviewContact } from './preview';
export { readRow, type RowContext } from './row';
export { isBlankRow, isFooter, layoutOf, repeatsHeadings, type Column, type TableLayout } from './table';
export { mergedColumns, type ContactState } from './merge';
export {
  FIRST_OPTIONS,
  headingPrint,
  IMPORT_STATES,
  ON_MATCH,
  type CustomPlace,
  type ImportColumn,
  type ImportScan,
  type ImportOptions,
  type ImportState,
  type ImportView,
  type OnMatch,
} from './plan';

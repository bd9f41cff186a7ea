export {
  BLOCK_NAMES,
  BLOCKS_FOR,
  pageErrors,
  FORM_FIELDS,
  mayAdd,
  mayRemove,
  newBlock,
  newPage,
  PAGE_KIND_NAMES,
  PAGE_KINDS,
  permissionTexts,
  slugOf,
  type Block,
  type BlockKind,
  type FormField,
  type PublicPage,
  type PageError,
  type PageKind,
  type PermissionTexts,
} from './page';
export type { PageView } from './views';
export { inquiryOfSent, OPEN_MS, READING_MS, suspicion, type FormValues, type SentTo, type Suspicion } from './visitor';

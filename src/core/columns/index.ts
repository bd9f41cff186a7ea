export {
  columnsFor,
  CONTACT_COLUMNS,
  type Cell,
  type ContactColumn,
  type ContactColumnKey,
  type ContactTarget,
  type MergedColumn,
  type SortedColumn,
} from './columns';
export type { OutgoingPerson } from './outgoing';

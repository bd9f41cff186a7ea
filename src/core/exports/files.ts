/** What a file that goes out is called, and its media type. */
import type { ExportFormat } from './views';

export const FILE_TYPES: Record<ExportFormat, string> = {
  csv: 'text/csv; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  vcf: 'text/vcard; charset=utf-8',
  labels: 'application/pdf',
  cards: 'application/pdf',
};
export const FILE_NAMES: Record<ExportFormat, string> = {
  csv: 'contacts.csv',
  xlsx: 'contacts.xlsx',
  vcf: 'contacts.vcf',
  labels: 'labels.pdf',
  cards: 'cards.pdf',
};

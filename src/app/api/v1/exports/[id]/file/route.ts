/** The file of an export. */
import { exportFile } from '@/server/exports';
import { OPERATIONS } from '@/app/_http/operations';
import { Download, route } from '@/app/_http/route';

const TYPES = {
  csv: 'text/csv; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  vcf: 'text/vcard; charset=utf-8',
  labels: 'application/pdf',
  cards: 'application/pdf',
};

const NAMES = { csv: 'contacts.csv', xlsx: 'contacts.xlsx', vcf: 'contacts.vcf', labels: 'labels.pdf', cards: 'cards.pdf' };

export const GET = route(OPERATIONS.getExportFile!, async ({ principal, params }) => {
  const { format, body } = await exportFile(principal, params.id!);
  return new Download(NAMES[format], TYPES[format], body);
});

/** The file of an export. */
import { exportFile } from '@/server/exports';
import { OPERATIONS } from '@/app/_http/operations';
import { Download, route } from '@/app/_http/route';

const TYPES = {
  csv: 'text/csv; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  vcf: 'text/vcard; charset=utf-8',
};

export const GET = route(OPERATIONS.getExportFile!, async ({ principal, params }) => {
  const { format, body } = await exportFile(principal, params.id!);
  return new Download(`contacts.${format}`, TYPES[format], body);
});

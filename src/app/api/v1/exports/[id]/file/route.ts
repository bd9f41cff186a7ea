/** The file of an export. */
import { FILE_NAMES, FILE_TYPES } from '@/core/exports';
import { exportFile } from '@/server/exports';
import { Download, OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getExportFile, async ({ principal, params }) => {
  const { format, body } = await exportFile(principal, params.id);
  return new Download(FILE_NAMES[format], FILE_TYPES[format], body);
});

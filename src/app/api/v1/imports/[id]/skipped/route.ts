/** What an import did not take, with its headings and one more that says why: mended, it can be imported again. */
import { csvLine } from '@/core/exports';
import { findImport, listLeft } from '@/server/imports';
import { Download, OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

const BATCH = 500;
const CARD_HEADINGS = ['First name', 'Last name', 'Email', 'Phone', 'Notes'];

export const GET = route(OPERATIONS.getSkippedRows, async ({ principal, params }) => {
  const { file_name, columns } = await findImport(principal, params.id);
  const headings = columns.length ? columns.map(({ heading }) => heading) : CARD_HEADINGS;
  const text = new TextEncoder();
  let after = -1;
  const body = new ReadableStream<Uint8Array>({
    start: (controller) => controller.enqueue(text.encode(`\ufeff${csvLine([...headings, 'Why it was not taken'])}`)),
    pull: async (controller) => {
      const rows = await listLeft(params.id, after, BATCH);
      if (!rows.length) return controller.close();
      after = rows.at(-1)!.row;
      controller.enqueue(
        text.encode(rows.map(({ raw, why }) => csvLine([...headings.map((_, at) => raw?.[at] ?? ''), why ?? ''])).join('')),
      );
    },
  });
  return new Download(`${file_name.replace(/\.[^.]*$/, '')}, not taken.csv`, 'text/csv; charset=utf-8', body);
});

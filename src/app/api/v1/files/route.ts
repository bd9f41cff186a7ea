/** Files that go along with e-mails. */
import { saveFile, MOST_FILE } from '@/server/files';
import { OPERATIONS } from '@/app/_http/operations';
import { created, readBytes, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.uploadFile, async ({ request, principal, query }) =>
  created(await saveFile(principal, query.name, await readBytes(request, MOST_FILE))),
);

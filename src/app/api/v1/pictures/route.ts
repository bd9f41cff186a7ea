/** Pictures for public pages and e-mails. */
import { savePicture } from '@/server/files';
import { OPERATIONS } from '@/app/_http/operations';
import { created, readBytes, route } from '@/app/_http/route';

const MOST_BYTES = 3_000_000;

export const POST = route(OPERATIONS.uploadPicture, async ({ request, principal }) =>
  created(await savePicture(principal, await readBytes(request, MOST_BYTES))),
);

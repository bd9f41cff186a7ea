/** Pictures for public pages. */
import { AppError } from '@/core/shared';
import { keepPicture } from '@/server/pages';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

const MOST_BYTES = 4_000_000;

export const POST = route(OPERATIONS.keepPicture!, async ({ request, principal }) => {
  const parts: Uint8Array[] = [];
  let size = 0;
  const stream = request.body?.getReader();
  for (let part = await stream?.read(); part && !part.done; part = await stream!.read()) {
    size += part.value.length;
    if (size > MOST_BYTES)
      throw new AppError('body_too_large', 'The picture is larger than 3 MB. Make it smaller and try again.');
    parts.push(part.value);
  }
  return created(await keepPicture(principal, Buffer.concat(parts)));
});

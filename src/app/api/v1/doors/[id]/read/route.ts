/** How a door would read a body. */
import { readBody } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.readDoorBody, ({ principal, params, body }) =>
  readBody(principal, params.id, body.body, body.mapping),
);

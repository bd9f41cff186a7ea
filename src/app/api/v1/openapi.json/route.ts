/** The API's own description; no key needed. */
import { openApi } from '@/app/_http/openapi';
import { config } from '@/server/shared';

export const GET = (): Response => Response.json(openApi(config().publicUrl));

/** A new name is a source of ours. */
import { saveSource } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const PATCH = route(OPERATIONS.updateSource, ({ principal, params, body }) => saveSource(principal, params.id, body.name));

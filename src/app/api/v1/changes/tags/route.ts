/** The tags of selected contacts. */
import { tagsOfSelection } from '@/server/changes';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.tagsOfSelection, async ({ principal, body }) => ({
  items: await tagsOfSelection(principal, body.selection),
}));

/** One contact. */
import { findContactWithPermissions, updateContact } from '@/server/contacts';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getContact, ({ scope, params }) => findContactWithPermissions(scope, params.id));

export const PATCH = route(OPERATIONS.updateContact, ({ principal, params, body }) => updateContact(principal, params.id, body));

/** A profile. */
import { readProfile, updateProfile } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getProfile, ({ principal, params }) => readProfile(principal, params.id));

export const PATCH = route(OPERATIONS.updateProfile, ({ principal, params, body }) => updateProfile(principal, params.id, body));

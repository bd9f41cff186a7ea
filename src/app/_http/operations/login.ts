/** The operations of one's own login: the second step, passkeys, the password once more. */
import Joi from 'joi';
import type { LoginSecurityView } from '@/core/accounts';
import { answer, nothing, type Operation } from './operation';

/** One's own, whatever the role; also for somebody who must set up a second step before anything else. */
const own = { scope: 'contacts:read', lenders: true, only: 'user', beforeSecondStep: true } as const;

export const LOGIN_OPERATIONS = {
  getLoginSecurity: {
    ...own,
    method: 'GET',
    path: '/login-security',
    summary: 'Get your two-step login and passkeys',
    answer: answer<LoginSecurityView & { passkeys_work: boolean }>(),
  },
  confirmPassword: {
    ...own,
    method: 'POST',
    path: '/password/confirmation',
    summary: 'Enter your password again, before a change that asks for it',
    body: Joi.object({ password: Joi.string().max(1_000).required().example('gulls over cold porridge') }),
    answer: nothing,
  },
  beginTotp: {
    ...own,
    secret: true,
    confirm: true,
    method: 'POST',
    path: '/totp',
    summary: 'Get a secret for your authenticator app; it’s on once you send its first code',
    answer: answer<{ secret: string; uri: string; qr: string }>(),
  },
  confirmTotp: {
    ...own,
    secret: true,
    confirm: true,
    method: 'PUT',
    path: '/totp',
    summary: 'Turn on your authenticator app by its first code; the recovery codes are shown once',
    body: Joi.object({ code: Joi.string().max(20).required().example('123456') }),
    answer: answer<{ recovery_codes: string[] }>(),
  },
  removeTotp: {
    ...own,
    confirm: true,
    method: 'DELETE',
    path: '/totp',
    summary: 'Turn off your authenticator app',
    answer: nothing,
  },
  renewRecoveryCodes: {
    ...own,
    secret: true,
    confirm: true,
    method: 'POST',
    path: '/recovery-codes',
    summary: 'Get ten new recovery codes; those before stop working',
    answer: answer<{ recovery_codes: string[] }>(),
  },
  beginPasskey: {
    ...own,
    secret: true,
    confirm: true,
    method: 'POST',
    path: '/passkeys/challenge',
    summary: 'Get what your browser needs to make a passkey (Web Authentication)',
    answer: answer<{ options: object }>(),
  },
  savePasskey: {
    ...own,
    confirm: true,
    method: 'POST',
    path: '/passkeys',
    summary: 'Add the passkey that your browser made',
    body: Joi.object({
      name: Joi.string().trim().min(1).max(60).required().example('My phone'),
      response: Joi.object().unknown(true).required().example({ id: 'AbC', rawId: 'AbC', type: 'public-key', response: {} }),
    }),
    answer: nothing,
  },
  removePasskey: {
    ...own,
    confirm: true,
    method: 'DELETE',
    path: '/passkeys/{id}',
    summary: 'Remove a passkey',
    answer: nothing,
  },
  resetSecondStep: {
    method: 'DELETE',
    path: '/users/{id}/second-step',
    summary: 'Reset a user’s two-step login, when they lost their phone',
    scope: 'setup:write',
    only: 'user',
    confirm: true,
    answer: nothing,
  },
  logOutUser: {
    method: 'DELETE',
    path: '/users/{id}/sessions',
    summary: 'Log a user out everywhere',
    scope: 'setup:write',
    only: 'user',
    confirm: true,
    answer: answer<{ ended: number }>(),
  },
} as const satisfies Record<string, Operation>;

/** Secrets that leave the house (session cookies, API keys, addresses in mails): random ones are stored hashed, signed ones are checked by HMAC. */
import { createHash, createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import { config } from './config';

export const randomToken = (bytes = 32): string => randomBytes(bytes).toString('base64url');
export const hashed = (token: string): Buffer => createHash('sha256').update(token).digest();

const signature = (purpose: string, value: string): string =>
  createHmac('sha256', config().secret).update(`${purpose}:${value}`).digest('base64url').slice(0, 22);

/** `value.signature`; the purpose keeps a token of one kind from passing as another. */
export const signed = (purpose: string, value: string): string => `${value}.${signature(purpose, value)}`;

/** The value of a signed token; null when it was not signed here for this purpose. */
export function readSigned(purpose: string, token: string): string | null {
  const at = token.lastIndexOf('.');
  if (at < 1) return null;
  const value = token.slice(0, at);
  const [given, wanted] = [Buffer.from(token.slice(at + 1)), Buffer.from(signature(purpose, value))];
  return given.length === wanted.length && timingSafeEqual(given, wanted) ? value : null;
}

/** Case-insensitive variant for e-mail local parts, which some mail systems fold: base 32 hex in lower case. */
export const mailToken = (purpose: string, value: string): string =>
  `${value}-${createHmac('sha256', config().secret).update(`${purpose}:${value}`).digest('hex').slice(0, 20)}`;
export function readMailToken(purpose: string, token: string): string | null {
  const value = token.slice(0, token.lastIndexOf('-'));
  return value && mailToken(purpose, value) === token.toLowerCase() ? value : null;
}

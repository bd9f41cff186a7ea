/** What must be read again and may not lie open in PostgreSQL or in its copies: sealed with a key made of the installation's secret (AES-256-GCM). */
import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto';
import { config } from './config';

const NONCE_BYTES = 12;
const TAG_BYTES = 16;

const keyFor = (purpose: string): Buffer => Buffer.from(hkdfSync('sha256', config().secret, '', `sealed ${purpose}`, 32));

/** @param purpose keeps what was sealed for one thing from being opened as another */
export function sealed(purpose: string, plain: string): Buffer {
  const nonce = randomBytes(NONCE_BYTES);
  const cipher = createCipheriv('aes-256-gcm', keyFor(purpose), nonce);
  return Buffer.concat([nonce, cipher.update(plain, 'utf8'), cipher.final(), cipher.getAuthTag()]);
}

/** Null when it was sealed with another secret, or for something else, or was changed. */
export function unsealed(purpose: string, from: Buffer): string | null {
  try {
    const decipher = createDecipheriv('aes-256-gcm', keyFor(purpose), from.subarray(0, NONCE_BYTES));
    decipher.setAuthTag(from.subarray(-TAG_BYTES));
    return decipher.update(from.subarray(NONCE_BYTES, -TAG_BYTES), undefined, 'utf8') + decipher.final('utf8');
  } catch {
    return null;
  }
}

/** Where the project is, whatever folder a command was started from. */
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
export const fromRoot = (...parts) => join(ROOT, ...parts);

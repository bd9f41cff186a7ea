/** The migrations in the order they run. Add to the end; never change one that has landed. */
import { first } from './0001_first';
import type { Migration } from './migration';

export const migrations: Migration[] = [first];
export type { Migration };

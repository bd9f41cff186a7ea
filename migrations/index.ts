/** The migrations in the order they run. Add to the end; never change one that has landed. */
import { first } from './0001_first';
import { contacts } from './0002_contacts';
import type { Migration } from './migration';

export const migrations: Migration[] = [first, contacts];
export type { Migration };

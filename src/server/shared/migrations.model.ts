/** The table of migrations. */
import { key, table, varchar } from './table';

export const migrationsTable = table('migrations', {
  name: key(varchar()),
});

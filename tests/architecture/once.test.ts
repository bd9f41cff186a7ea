/** What is said once in SQL is asked for where else it is needed, and not written again. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const SAID = [
  ['an activity comes into being', /insert into activities\b/, 'src/server/contacts/activities.sql.ts'],
  ['campaigns on hold', /settings->>'campaignsHeld'/, 'src/server/accounts/users.repository.ts'],
  ['the name of somebody', /first_name(?:'\)\})? \|\| ' ' \|\|/, 'src/server/shared/name.sql.ts'],
] as const;

test.each(SAID)('%s once', (_, pattern, owner) => {
  const files = readdirSync('src', { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
    .map((file) => join('src', file));
  expect(files.length).toBeGreaterThan(500);
  expect(files.filter((file) => pattern.test(readFileSync(file, 'utf8')))).toEqual([owner]);
});

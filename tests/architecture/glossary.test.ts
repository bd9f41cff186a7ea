/** The glossary says what the comments of the core say, of every type. */
import { execFileSync } from 'node:child_process';
import { join } from 'node:path';

test('docs/GLOSSARY.md names every type of the core as its comment does', () => {
  const script = join(__dirname, '..', '..', 'scripts', 'glossary.mjs');
  expect(() => execFileSync(process.execPath, [script, '--check'], { stdio: 'pipe' })).not.toThrow();
});

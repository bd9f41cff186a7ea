/** Every part of the kit stands in the gallery, where it is looked at and judged; what is no part of a page has its reason here. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const KIT = join(__dirname, '..', '..', 'src', 'ui', 'kit');
const WITHOUT: Record<string, string> = {
  ToastProvider: 'stands around each story',
  FormFields: 'has no look: InlineForm and FormDialog have it in them',
};

const exported = [...readFileSync(join(KIT, 'index.ts'), 'utf8').matchAll(/export \{([^}]*)\}/g)]
  .flatMap(([, names]) => names!.split(','))
  .map((name) => name.trim())
  .filter((name) => /^[A-Z][a-z]/.test(name));
const stories = readdirSync(KIT)
  .filter((file) => file.endsWith('.stories.tsx'))
  .map((file) => readFileSync(join(KIT, file), 'utf8'))
  .join('\n');

test('the kit has parts', () => expect(exported.length).toBeGreaterThan(80));

test('each stands in a story', () => {
  const missing = exported.filter((name) => !new RegExp(`<${name}\\b`).test(stories));
  expect(missing.filter((name) => !(name in WITHOUT))).toEqual([]);
});

test('what has a reason to be missing is missing', () => {
  expect(Object.keys(WITHOUT).filter((name) => new RegExp(`<${name}\\b`).test(stories))).toEqual([]);
});

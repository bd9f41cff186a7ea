/** What the documents name is there: files, folders, commands. A page that names what is gone sends its reader astray. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const ROOT = join(__dirname, '..', '..');
const FOLDERS = ['src', 'simulator', 'migrations', 'scripts', 'tests', 'docs'];
const files = FOLDERS.flatMap((folder) =>
  readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' }).map((file) => `${folder}/${file}`),
);
const PAGES = [
  'README.md',
  'CONTRIBUTING.md',
  'docs/ARCHITECTURE.md',
  'docs/GLOSSARY.md',
  ...readdirSync(join(ROOT, 'docs', 'decisions')).map((name) => `docs/decisions/${name}`),
];
const scripts = Object.keys((JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8')) as { scripts: object }).scripts);

test.each(PAGES)('%s', (page) => {
  const text = readFileSync(join(ROOT, page), 'utf8');
  const named = [...text.matchAll(/`([\w./()[\]-]+\.(?:tsx?|mjs|css|cjs))`/g)].map(([, name]) => name!);
  const missing = named.filter((name) => !files.some((file) => file === name || file.endsWith(`/${name}`)));
  expect(missing).toEqual([]);
  const commands = [...text.matchAll(/npm run (?:--silent )?([\w:]+)/g)].map(([, name]) => name!);
  expect(commands.filter((name) => !scripts.includes(name))).toEqual([]);
});

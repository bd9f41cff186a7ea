/**
 * `npm run glossary`: writes the types of the core, each with the first sentence of its comment, into docs/GLOSSARY.md below the words of
 * the product, which are kept by hand. `-- --check` only says whether the page is true.
 */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { fromRoot } from './lib/root.mjs';
import { say, script, Stop } from './lib/say.mjs';

const PAGE = fromRoot('docs', 'GLOSSARY.md');
const HEADING = '## Types of the core';
const isType = (node) => ts.isInterfaceDeclaration(node) || ts.isTypeAliasDeclaration(node) || ts.isClassDeclaration(node);
const isExported = (node) => node.modifiers?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword);

function* files(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* files(path);
    else if (/(?<!\.test|\.d)\.ts$/.test(entry.name)) yield path;
  }
}

/** Up to the first full stop that ends a sentence. */
const firstSentence = (text) => (/^.*?[.!?](?=\s|$)/.exec(text)?.[0] ?? text).trim();

/** @returns name, feature and meaning of each exported type of the core, in the order of their names */
function typesOfCore() {
  const core = fromRoot('src', 'core');
  const found = [];
  for (const path of files(core)) {
    const file = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true);
    for (const node of file.statements) {
      if (!isType(node) || !isExported(node) || !node.name) continue;
      const comment = ts.getTextOfJSDocComment(node.jsDoc?.at(-1)?.comment)?.replaceAll(/\s+/g, ' ');
      if (!comment) throw new Stop(`${node.name.text} in ${path.slice(core.length + 1)} has no comment that says what it is.`);
      found.push({
        name: node.name.text,
        feature: path.slice(core.length + 1).split('/')[0],
        meaning: firstSentence(comment),
      });
    }
  }
  return found.sort((one, other) => (one.name < other.name ? -1 : 1));
}

const cell = (text) => text.replaceAll('|', '\\|');

await script(async () => {
  const page = readFileSync(PAGE, 'utf8');
  const rows = typesOfCore().map(({ name, feature, meaning }) => `| \`${name}\` | ${feature} | ${cell(meaning)} |`);
  const made = `${page.slice(0, page.indexOf(HEADING))}${HEADING}\n\nMade by \`npm run glossary\` from the comments in \`src/core\`.\n\n| type | feature | what it is |\n| --- | --- | --- |\n${rows.join('\n')}\n`;
  if (process.argv.includes('--check')) {
    if (made !== page) throw new Stop('docs/GLOSSARY.md is not what the comments say. Run: npm run glossary');
    return;
  }
  writeFileSync(PAGE, made);
  say(`${rows.length} types.`);
});

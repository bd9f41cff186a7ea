/** Names: no two exported types share one. Names that were retired are refused by the linter (`eslint.config.mjs`) and the check of layers. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

const ROOT = join(__dirname, '..', '..');
function* sources(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) {
      if (entry.name !== 'data' && entry.name !== 'node_modules') yield* sources(path);
    } else if (/\.tsx?$/.test(entry.name)) yield path;
  }
}
const parsed = ['src', 'simulator', 'scripts', 'tests'].flatMap((folder) =>
  [...sources(join(ROOT, folder))].map((path) => ({
    path: path.slice(ROOT.length + 1),
    file: ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, false),
  })),
);
const isType = (node: ts.Statement): node is ts.InterfaceDeclaration | ts.TypeAliasDeclaration | ts.ClassDeclaration =>
  ts.isInterfaceDeclaration(node) || ts.isTypeAliasDeclaration(node) || ts.isClassDeclaration(node);

test('no two exported types share a name', () => {
  const declared = new Map<string, string[]>();
  for (const { path, file } of parsed)
    for (const node of file.statements)
      if (isType(node) && node.name && node.modifiers?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword))
        declared.set(node.name.text, [...(declared.get(node.name.text) ?? []), path]);
  expect(declared.size).toBeGreaterThan(400);
  expect([...declared].filter(([, paths]) => paths.length > 1)).toEqual([]);
});

/** Names: no two exported types share one, and a name that was retired does not come back. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

const ROOT = join(__dirname, '..', '..');
/** What was called otherwise before; each has a standard name of the trade now. */
const RETIRED = new Set(
  `wayOf stepIn gathered Admitted Newcomer Newcomers deedOf isTakingAway letLeave taughtValue lessonOf withLessons keepLessons readLessons useNotices NoticeProvider
   usePast isDesk isRoll readAround takeLeadMail keepUnreadMail listPeople findPerson PersonView KeptReply KeptRung keepVersion keepNoticed keepPart keepMailed keepPicture
   keepFile keepSource keepTracking keepPrint KeepDialog ChallengeView ImportLook LookView askLook performLook TalkStanding TalkFlow beginTalk continueTalk goOnTalking
   rolesSaid roomsSaid Standing Taken Doing Asked Brought Rehearsed`.split(/\s+/),
);

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

test('no retired name is declared', () => {
  const found: string[] = [];
  for (const { path, file } of parsed) {
    const visit = (node: ts.Node): void => {
      const { name } = node as { name?: ts.Node };
      /* What is only looked up elsewhere (an operation of the API by its id) is named there. */
      if (ts.isPropertyAccessExpression(node) || ts.isPropertyAssignment(node)) return ts.forEachChild(node, visit);
      if (name && ts.isIdentifier(name) && RETIRED.has(name.text)) found.push(`${path}: ${name.text}`);
      ts.forEachChild(node, visit);
    };
    visit(file);
  }
  expect(found).toEqual([]);
});

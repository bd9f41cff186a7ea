/** What people read is current American English: phrases that were retired come back in no screen, sentence, message or document. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

/** Each with what is said instead, for whoever wrote it again. */
const RETIRED: [RegExp, string][] = [
  [/What came of the leads/, 'Results'],
  [/What people wrote|What arrived\b/, 'Inbox, Inquiries'],
  [/Who gets a lead/, 'Lead routing'],
  [/Follow-up that remembers|Words worth keeping|One word to many/, 'Campaigns, Templates, Broadcasts'],
  [/\bKeep it\b|\bTake (?:it )?out\b|\bTake away\b|\bPut it away\b|\bBring it back\b/, 'Save, Remove, Discard changes, Restore'],
  [/Bring a file in|Files that go out|Who stands here twice|\bBring in\b/, 'Import, Exports, Find duplicates'],
  [/\bMay we\b/, 'Permissions'],
  [/lies on your shelf|Off the shelf|Onto the shelf/, 'Pinned, Unpin, Pin'],
  [/They have left|Away for a day|\bLeaves …/, 'Hand off and deactivate, Day off'],
  [/\bby rhythm\b/, 'check-in … overdue'],
  [/people with whom somebody works|Nothing goes there any more/, 'current and past clients, Do not contact'],
  [/Nobody is called so|Nothing is called so|(?:was|were) not kept\b/, 'No matches, Couldn’t save'],
  [/Yes, let it go|\bLet it go\b|Called it unwanted/, 'Send, Marked as spam'],
  [
    /came to be among|its day came|none of its ways reaches|waits for nobody|quiet hours are outside|between two texts lie/,
    'see because.ts',
  ],
  [/\bare so already\b|said stop themselves|belong to others\b/, 'already have it, opted out, belong to another agent'],
  [
    /By when would you like to move|Write AGENT for a person|for no more texts/,
    'When are you hoping to move?, Reply AGENT …, Reply STOP to opt out.',
  ],
  [/furthest from the share due|has had the leads of the day/, 'Largest gap from fair share, reached the daily limit'],
  [/Number 10 rung|hands out by\b/, 'Rung 10, Distribution'],
  [/whole money|\bstrokes?\b(?! ?[=:])/, 'Min price, bars'],
  [/it holds all; what is missing/, 'This file is complete …'],
  [/\b[Ee]-mail/, 'email'],
  [
    /\b(?:neighbour|favour|colour|harbour(?! list)|centre|licence|organis|recognis|cancelled|enrolment|dialling|spelt)\w*/i,
    'American spelling',
  ],
];

/** Words of ours that are names of something stored or sent, and not what anybody reads. */
const CODE = /^(?:[\w.\-/:[\]{}$]+|.*(?:stroke-|stroke="|::jsonb|\bselect\b|\bwhere\b|\bcoalesce\b).*)$/s;
/** What reads the words of others must know how others write. */
const READERS = /src\/core\/(?:mail|imports|capture|conversations|channels|messages\/(?:checks|refusal))\b|src\/providers\/files/;

const textsOf = (file: string): string[] => {
  const tree = ts.createSourceFile(
    file,
    readFileSync(file, 'utf8'),
    ts.ScriptTarget.Latest,
    true,
    file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  );
  const found: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isLiteralTypeNode(node)) return;
    if (
      ts.isJsxText(node) ||
      ts.isStringLiteralLike(node) ||
      ts.isTemplateHead(node) ||
      ts.isTemplateMiddle(node) ||
      ts.isTemplateTail(node)
    )
      found.push(node.text.replace(/\s+/g, ' ').trim());
    ts.forEachChild(node, visit);
  };
  visit(tree);
  return found.filter((text) => text && !CODE.test(text));
};
const below = (folder: string, ends: RegExp): string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => ends.test(file) && !/\.test\.|\.stories\./.test(file))
    .map((file) => join(folder, file));

test('no screen, sentence or message says what was retired', () => {
  const files = [...below('src', /\.tsx?$/), ...below('scripts/world', /\.ts$/)].filter((file) => !READERS.test(file));
  expect(files.length).toBeGreaterThan(700);
  const found = files.flatMap((file) =>
    textsOf(file).flatMap((text) =>
      RETIRED.filter(([phrase]) => phrase.test(text)).map(([, say]) => `${file}: “${text.slice(0, 120)}”, say: ${say}`),
    ),
  );
  expect(found).toEqual([]);
});

test('the check sees what it is for', () => {
  for (const phrase of ['Keep it', 'What people wrote', 'Send an e-mail', 'A colour', 'was not kept.', 'May we: call yes'])
    expect([phrase, RETIRED.some(([retired]) => retired.test(phrase)) && !CODE.test(phrase)]).toEqual([phrase, true]);
});

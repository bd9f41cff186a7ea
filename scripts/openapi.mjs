/**
 * `npm run openapi`: writes what each operation answers as JSON Schema, made from the types that the operations state, into
 * src/app/_http/answers.json, from which the OpenAPI document takes it. `-- --check` only says whether the file is true.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import ts from 'typescript';
import { fromRoot } from './lib/root.mjs';
import { say, script, Stop } from './lib/say.mjs';
import { schemasOf } from './lib/type-schema.mjs';

const FILE = fromRoot('src', 'app', '_http', 'answers.json');

/** @returns the schema of each operation's answer by its id, null where there is none, and the schemas that they refer to */
function answers() {
  const config = ts.getParsedCommandLineOfConfigFile(
    fromRoot('tsconfig.json'),
    {},
    { ...ts.sys, onUnRecoverableConfigFileDiagnostic: () => {} },
  );
  const entry = fromRoot('src', 'app', '_http', 'operations', 'index.ts');
  const program = ts.createProgram([entry], config.options);
  const checker = program.getTypeChecker();
  const exported = checker.getExportsOfModule(checker.getSymbolAtLocation(program.getSourceFile(entry)));
  const operations = checker.getTypeOfSymbol(exported.find(({ name }) => name === 'OPERATIONS'));
  const { schemaOf, components } = schemasOf(ts, checker);
  const entries = operations.getProperties().map((operation) => {
    const answer = checker.getTypeOfSymbol(checker.getTypeOfSymbol(operation).getProperty('answer'));
    const [value] = checker.getTypeArguments(answer);
    return [operation.name, value.flags & ts.TypeFlags.Undefined ? null : schemaOf(value)];
  });
  return { operations: Object.fromEntries(entries), components };
}

await script(() => {
  const made = `${JSON.stringify(answers(), null, 1)}\n`;
  if (process.argv.includes('--check')) {
    if (readFileSync(FILE, 'utf8') !== made)
      throw new Stop('src/app/_http/answers.json is not what the operations state: npm run openapi');
    return;
  }
  writeFileSync(FILE, made);
  say(`${Object.keys(JSON.parse(made).operations).length} operations, ${Object.keys(JSON.parse(made).components).length} types.`);
});

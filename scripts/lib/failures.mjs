/** Reporters of Jest and of Playwright: what failed is written down by its name, so that the end of a run can say it. */
import { appendFileSync, mkdirSync } from 'node:fs';
import { dirname, relative } from 'node:path';

const FILE = process.env.URRACA_FAILURES;

/** @param {string} file @param {string} name @param {string | undefined} words */
function note(file, name, words = '') {
  if (!FILE) return;
  mkdirSync(dirname(FILE), { recursive: true });
  const first = words
    .replaceAll(/\u001b\[[0-9;]*m/g, '')
    .split('\n')
    .filter((line) => line.trim())
    .slice(0, 30)
    .join('\n      ');
  appendFileSync(FILE, `  ${relative(process.cwd(), file)}: ${name}\n      ${first}\n`);
}

export default class Failures {
  /* Jest. */
  onTestFileResult(_test, { testFilePath, testResults, testExecError }) {
    if (testExecError) note(testFilePath, 'could not be run', String(testExecError.message));
    for (const { status, fullName, failureMessages } of testResults)
      if (status === 'failed') note(testFilePath, fullName, failureMessages[0]);
  }
  /* Playwright. */
  onTestEnd(test, { status, errors }) {
    if (status !== 'passed' && status !== 'skipped')
      note(test.location.file, test.title, errors.map(({ message }) => message).join('\n'));
  }
  onError(error) {
    note(process.cwd(), 'outside of any test', error.message);
  }
}

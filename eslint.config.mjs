import next from 'eslint-config-next/core-web-vitals';
import nextTs from 'eslint-config-next/typescript';
import prettier from 'eslint-config-prettier/flat';
import * as regexp from 'eslint-plugin-regexp';
import tseslint from 'typescript-eslint';
import { defineConfig, globalIgnores } from 'eslint/config';

const MADE_WHILE_RUNNING =
  'An expression made while running may hold text from outside: use textPattern of core/shared, which escapes it.';

/** What was called so before and has a standard name of the trade now (docs/GLOSSARY.md). A name of a column or of the API may still read so. */
const RETIRED = `standing house notices challenges talks axes usePast isDesk isRoll readAround wayOf stepIn gathered Admitted
  Newcomer Newcomers deedOf isTakingAway letLeave taughtValue lessonOf withLessons keepLessons readLessons useNotices NoticeProvider takeLeadMail keepUnreadMail
  listPeople findPerson PersonView KeptReply KeptRung keepVersion keepNoticed keepPart keepMailed keepPicture keepFile keepSource keepTracking keepPrint KeepDialog
  Challenge ChallengeView ImportLook LookView askLook performLook TalkStanding TalkFlow TalkStep beginTalk continueTalk goOnTalking rolesSaid roomsSaid Standing
  Taken Doing Asked Brought Rehearsed House houseForEach quietTo quietFrom faultsOf requirePerson currentPerson`.split(/\s+/);

/** What is said of React is asked of nothing else: it is by far the slowest. */
const ofReact = [...next, ...nextTs].flatMap(({ rules = {} }) => Object.keys(rules).filter((rule) => rule.startsWith('react')));

export default defineConfig([
  ...next,
  ...nextTs,
  prettier,
  {
    files: ['**/*.{ts,js,mjs,cjs}', '**/*.{test,stories}.tsx', 'tests/**'],
    ignores: ['src/{ui,app}/**/!(*.test|*.stories).{ts,tsx}'],
    rules: Object.fromEntries(ofReact.map((rule) => [rule, 'off'])),
  },
  {
    /* The gallery reads the title of a story, and its own settings, from what is exported without a name. */
    files: ['src/ui/**/*.stories.tsx', '.ladle/**'],
    rules: { 'import/no-anonymous-default-export': 'off' },
  },
  {
    /* Warns that the React Compiler skips what uses the virtualizer and forms; it is not run here, so nothing is skipped. */
    files: ['src/ui/**/*.{ts,tsx}'],
    rules: { 'react-hooks/incompatible-library': 'off' },
  },
  {
    /* What reads text from outside must not take longer than its length allows (core/shared/pattern.ts, decision 0018). */
    files: ['src/**/*.{ts,tsx}', 'simulator/**/*.ts'],
    ignores: ['**/*.test.{ts,tsx}', 'src/core/shared/pattern.ts'],
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'no-restricted-syntax': [
        'error',
        { selector: ':function NewExpression[callee.name="RegExp"]', message: MADE_WHILE_RUNNING },
        { selector: 'CallExpression[callee.name="RegExp"]', message: MADE_WHILE_RUNNING },
      ],
    },
  },
  {
    files: ['**/*.{ts,tsx}'],
    extends: [tseslint.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { project: './tsconfig.json', tsconfigRootDir: import.meta.dirname } },
    rules: {
      /* A handler or a stand-in is async so that it fails by its promise, whether it waits for something or not. */
      '@typescript-eslint/require-await': 'off',
      /* What is asked for as text comes from a form, a query or jsonb, where it is text or a number. */
      '@typescript-eslint/no-base-to-string': 'off',
      '@typescript-eslint/restrict-template-expressions': [
        'error',
        {
          allowNumber: true,
          allowBoolean: true,
          allowArray: true,
          allow: [
            { name: 'Html', from: 'file' },
            { name: 'URLSearchParams', from: 'lib' },
          ],
        },
      ],
    },
  },
  {
    /* What Jest's matchers stand for is `any`. */
    files: ['**/*.test.ts', 'tests/**/*.ts'],
    rules: {
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/unbound-method': 'off',
    },
  },
  {
    /* What does not fit a screen is two things. The reading of mails and files has long tables of cases, screens are markup. */
    files: ['src/**/*.ts', 'simulator/**/*.ts', 'scripts/**/*.ts', 'migrations/**/*.ts'],
    ignores: ['**/*.test.ts', 'src/core/{mail,imports}/**', 'src/providers/files/**', 'src/ui/**'],
    rules: { 'max-lines-per-function': ['error', { max: 60, IIFEs: true }], complexity: ['error', 20] },
  },
  { files: ['**/*.{ts,tsx,mjs}'], rules: { 'id-denylist': ['error', ...RETIRED] } },
  globalIgnores([
    '.next/**',
    'dist/**',
    'dist-*/**',
    '.next-*/**',
    '.urraca/**',
    '.brokerage/**',
    'node_modules/**',
    'next-env.d.ts',
    'test-results/**',
    'playwright-report/**',
    'public/visit/**',
  ]),
]);

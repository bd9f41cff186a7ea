import next from 'eslint-config-next/core-web-vitals';
import nextTs from 'eslint-config-next/typescript';
import prettier from 'eslint-config-prettier/flat';
import { defineConfig, globalIgnores } from 'eslint/config';

export default defineConfig([
  ...next,
  ...nextTs,
  prettier,
  globalIgnores([
    '.next/**',
    'dist/**',
    'dist-*/**',
    '.next-*/**',
    '.urraca/**',
    'node_modules/**',
    'next-env.d.ts',
    'test-results/**',
    'playwright-report/**',
    'public/visit/**',
  ]),
]);

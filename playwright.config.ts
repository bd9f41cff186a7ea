/** Journeys in headless Chromium against the built application that `npm test` starts; one after another, on one demo world. */
import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: './tests/journeys',
  workers: 1,
  timeout: 90_000,
  /* On a busy machine what is awaited comes late; a case that passes waits no longer for it. */
  expect: { timeout: 20_000 },
  reporter: [['list'], ['./scripts/lib/failures.mjs']],
  use: {
    baseURL: process.env.BASE_URL ?? 'http://127.0.0.1:3100',
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});

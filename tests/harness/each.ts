/** A fresh application for every case of a file, each ending with verify. */
import { openApp, type TestApp } from './test-app';

/** @returns the application of the case that runs; call it inside a case only */
export function appForEach(): () => TestApp {
  let app: TestApp;
  beforeEach(async () => {
    app = await openApp();
  });
  afterEach(async () => {
    try {
      expect(await app.verified()).toEqual([]);
    } finally {
      await app.close();
    }
  });
  return () => app;
}

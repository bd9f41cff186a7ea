/** A fresh house for every case of a file, each ending with verify. */
import { openHouse, type TestApp } from './test-app';

/** @returns the house of the case that runs; call it inside a case only */
export function houseForEach(): () => TestApp {
  let house: TestApp;
  beforeEach(async () => {
    house = await openHouse();
  });
  afterEach(async () => {
    try {
      expect(await house.verified()).toEqual([]);
    } finally {
      await house.close();
    }
  });
  return () => house;
}

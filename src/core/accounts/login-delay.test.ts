import { describe, expect, it } from '@jest/globals';
import { FROM_ANYWHERE, ONE_ACCOUNT, ONE_ADDRESS, waitAfter } from './login-delay';

describe('waiting after wrong logins', () => {
  it('begins after a few, doubles, and has an end', () => {
    expect([0, 4, 5, 6, 9, 13, 14, 1_000].map((failures) => waitAfter(failures, ONE_ACCOUNT))).toEqual([
      0, 0, 1, 2, 16, 256, 300, 300,
    ]);
    expect(waitAfter(29, ONE_ADDRESS)).toBe(0);
    expect(waitAfter(1e9, FROM_ANYWHERE)).toBe(4);
  });
});

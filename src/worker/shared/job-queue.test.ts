import { describe, expect, it } from '@jest/globals';
import { isDeadly } from './job-queue';

describe('a job that ends its process', () => {
  it('is one that was begun again and again and never said how it ended', () => {
    expect(isDeadly({ attempts: 3, last_error: null })).toBe(false);
    expect(isDeadly({ attempts: 4, last_error: null })).toBe(true);
    expect(isDeadly({ attempts: 4, last_error: 'The database does not answer' })).toBe(false);
  });
});

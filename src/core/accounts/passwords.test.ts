/** What may be a password: long enough, not among those that are tried first, and nothing about the person. */
import fc from 'fast-check';
import { PASSWORD_LENGTH, passwordProblem } from './passwords';

test.each(['password123', 'qwertyuiop', '1234567890', 'iloveyou123', 'aaaaaaaaaaaa', 'P@ssw0rd123', 'sunshine2024'])(
  '%s is tried first',
  (password) => {
    expect(passwordProblem(password)).toMatch(/first passwords people try/);
  },
);

test.each([
  'gulls over cold porridge',
  'lantern-tiller-94-moss',
  'Über den Klippen 7',
  '海鸥在码头上跳舞吃早饭',
  'ffjk dkls 8829 wuep',
])('%s may be one', (password) => {
  expect(passwordProblem(password)).toBeNull();
});

test('a name, an email or the brokerage is no password of that person', () => {
  const about = ['Odalys Brandt', 'odalys.brandt@kelp.example', 'Tern & Tiller Realty'];
  expect(passwordProblem('odalysbrandt', about)).not.toBeNull();
  expect(passwordProblem('odalys.brandt@kelp.example', about)).not.toBeNull();
});

test('its length is counted in characters, whatever the script', () => {
  expect(passwordProblem('海鸥在码头上')).toBe(`Use at least ${PASSWORD_LENGTH.least} characters`);
  expect(passwordProblem('gull porch '.repeat(30))).toBe(`Use at most ${PASSWORD_LENGTH.most} characters`);
});

test('any text is answered, at once', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary', maxLength: 400 }), (password) => {
      const problem = passwordProblem(password, [password.slice(0, 20)]);
      expect(problem === null || problem.length > 0).toBe(true);
    }),
    { numRuns: 60 },
  );
});

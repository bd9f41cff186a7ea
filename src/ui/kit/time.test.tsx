/** Times that go on: how long ago, how long left, how long since, at 10:24 AM on a Monday in Los Angeles. */
import { screen } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { Ago, Left, Timer } from '.';

test.each([
  ['2026-11-23T18:23:40Z', /ago/],
  ['2026-11-23T16:00:00Z', /^2 hr.* ago$/],
  ['2026-11-20T16:00:00Z', /Nov 20/],
  ['2026-11-23T20:00:00Z', /12 PM|12:00/],
])('%s is said as people say it, its full time on it', (at, words) => {
  show(<Ago at={at} />);
  const said = screen.getByText(words);
  expect(said.tagName).toBe('TIME');
  expect(said).toHaveAttribute('dateTime', new Date(at).toISOString());
  expect(said).toHaveAttribute('title', expect.stringMatching(/Nov|11\/2/));
});

test.each([
  ['2026-11-23T18:28:59Z', '4:59'],
  ['2026-11-23T18:24:09Z', '0:09'],
  ['2026-11-23T18:20:00Z', '0:00'],
])('until %s there is %s left', (until, words) => {
  show(<Left until={until} />);
  expect(screen.getByRole('timer')).toHaveTextContent(words);
});

test.each([
  ['2026-11-23T18:22:48Z', '1:12'],
  ['2026-11-23T18:30:00Z', '0:00'],
  ['2026-11-23T15:24:00Z', /3 hr/],
])('since %s it is %s', (since, words) => {
  show(<Timer since={since} />);
  expect(screen.getByText(words)).toBeVisible();
});

/** Parts that come later: in their place stands something meanwhile; what was fetched before it is opened stands at once. */
import { act, screen } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { lazily, useLoadTheRest } from '.';

const Part = ({ name }: { name: string }) => <p>Here is {name}</p>;

test('something stands in its place until it is there', async () => {
  let come: (part: typeof Part) => void = () => {};
  const coming = new Promise<typeof Part>((resolve) => (come = resolve));
  const Later = lazily<{ name: string }>(
    () => coming,
    () => <p>Opening…</p>,
  );
  show(<Later name="Oda" />);
  expect(screen.getByText('Opening…')).toBeVisible();
  act(() => come(Part));
  expect(await screen.findByText('Here is Oda')).toBeVisible();
  expect(screen.queryByText('Opening…')).toBeNull();
});

test('once the page stands the rest is fetched, one after the other, and opens without a wait', async () => {
  jest.useFakeTimers();
  try {
    const order: string[] = [];
    const part = (name: string) =>
      lazily<{ name: string }>(() => {
        order.push(name);
        return name === 'broken' ? Promise.reject(new Error('no network')) : Promise.resolve(Part);
      });
    const First = part('first');
    part('broken');
    const Last = part('last');
    function Page() {
      useLoadTheRest();
      return <p>Page</p>;
    }
    const page = show(<Page />);
    expect(order).toEqual([]);
    await act(() => jest.advanceTimersByTimeAsync(5_000));
    expect(order).toEqual(['first', 'broken', 'last']);
    page.unmount();
    show(
      <>
        <First name="one" />
        <Last name="two" />
      </>,
    );
    expect(screen.getByText('Here is one')).toBeVisible();
    expect(screen.getByText('Here is two')).toBeVisible();
    expect(order).toHaveLength(3);
  } finally {
    jest.useRealTimers();
  }
});

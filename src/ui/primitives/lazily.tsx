'use client';
/**
 * Parts of a page that come when they are opened and not with it. Once the page stands and nothing is asked of it they are fetched all the same, so that
 * what is opened later is there at once.
 */
import { lazy, Suspense, useEffect, useState, type ComponentType, type ReactNode } from 'react';

const waiting: (() => Promise<unknown>)[] = [];
const LATEST_MS = 4_000;

/** @param meanwhile stands in its place until it is there */
export function lazily<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  meanwhile: (props: Props) => ReactNode = () => null,
): ComponentType<Props> {
  let there: ComponentType<Props> | null = null;
  const fetched = async () => (there = await load());
  const Part = lazy(async () => ({ default: await fetched() }));
  waiting.push(fetched);
  return function Lazily(props: Props) {
    /* What is there already stands at once, and stays what it is as long as it stands. */
    const [Known] = useState(() => there);
    return Known ? (
      <Known {...props} />
    ) : (
      <Suspense fallback={meanwhile(props)}>
        <Part {...props} />
      </Suspense>
    );
  };
}

const whenIdle = (act: () => void): (() => void) => {
  if (typeof requestIdleCallback === 'undefined') {
    const timer = setTimeout(act, LATEST_MS / 2);
    return () => clearTimeout(timer);
  }
  const idle = requestIdleCallback(act, { timeout: LATEST_MS });
  return () => cancelIdleCallback(idle);
};

/** Fetches what was left for later, one after the other. */
export const useLoadTheRest = (): void =>
  useEffect(
    () =>
      whenIdle(() => {
        void (async () => {
          for (const load of waiting.splice(0)) await load().catch(() => undefined);
        })();
      }),
    [],
  );

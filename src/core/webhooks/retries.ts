/** When a delivery that failed is tried again: as the Standard Webhooks specification proposes, over about three days. */
import { HOUR, MINUTE } from '../shared';

const SECOND = 1_000;

/** Milliseconds after each failed try. */
export const DELIVERY_DELAYS: readonly number[] = [
  5 * SECOND,
  5 * MINUTE,
  30 * MINUTE,
  2 * HOUR,
  5 * HOUR,
  10 * HOUR,
  14 * HOUR,
  20 * HOUR,
  24 * HOUR,
];

/** @param tries so many have failed @returns milliseconds until the next one; null when it is given up */
export const nextDelay = (tries: number): number | null => DELIVERY_DELAYS[tries - 1] ?? null;

/**
 * What a transaction makes is not certain until it ends, though the same transaction reads it like anything else. Who keeps something for a
 * moment notes here what was made on the way, and does not keep it then.
 */
import type { Tx } from './db';

const made = new WeakMap<object, Set<string>>();
const ofTransaction = (tx: Tx): object => tx.transaction ?? tx;

export function noteMade(tx: Tx, what: string): void {
  const known = made.get(ofTransaction(tx)) ?? new Set();
  made.set(ofTransaction(tx), known.add(what));
}
export const wasMadeIn = (tx: Tx, what: string): boolean => made.get(ofTransaction(tx))?.has(what) ?? false;

/**
 * One statement that several repositories write together: each adds its common table expressions and its values, and all of them see what
 * stood before the statement. A round to PostgreSQL costs more than most of what is asked on it, so work on the way of every lead is
 * gathered here instead of being asked for one by one.
 */
import type { Tx } from './db';

export class Statement {
  private readonly parts: string[] = [];
  private readonly values: unknown[] = [];

  /** Adds a value. @returns its placeholder, `$n` */
  value(value: unknown): string {
    return `$${this.values.push(value)}`;
  }

  /** Adds a value as jsonb. @returns its placeholder with the cast */
  json(value: unknown): string {
    return `${this.value(JSON.stringify(value))}::jsonb`;
  }

  /** Adds a common table expression; the name is one that no other repository of the same statement uses. */
  part(name: string, sql: string): void {
    this.parts.push(`${name} as ${sql}`);
  }

  /** Runs all parts. @param select what is answered, by the names of the parts */
  rows<T extends object>(tx: Tx, select: string): Promise<T[]> {
    return tx.rows<T>(`${this.parts.length ? `with ${this.parts.join(',\n')}\n` : ''}${select}`, this.values);
  }
}

/** Opaque cursors for lists: a JSON array of the sort key, base64url. The shape inside may change; nobody outside reads it. */
import { AppError } from './errors';

/** A page of a list. */
export interface Page<T> {
  items: T[];
  /** Where the next page begins; null on the last. */
  next: string | null;
}

export const cursorOf = (parts: string[]): string =>
  btoa(JSON.stringify(parts)).replaceAll('+', '-').replaceAll('/', '_').replaceAll('=', '');

/** Reads a cursor of `length` strings back; an unreadable one is an input error, never a crash. */
export function readCursor(cursor: string | null | undefined, length: number): string[] | null {
  if (!cursor) return null;
  try {
    const parts: unknown = JSON.parse(atob(cursor.replaceAll('-', '+').replaceAll('_', '/')));
    if (Array.isArray(parts) && parts.length === length && parts.every((part) => typeof part === 'string')) return parts;
  } catch {
    /* falls through to the error below */
  }
  throw new AppError('input_invalid', 'This page marker is not one of ours. Start again from the first page.', {
    fields: [{ field: 'cursor', message: 'not a page marker of this list' }],
  });
}

/** Cuts a list read with one row too many into a page. */
export function pageOf<T>(rows: T[], limit: number, key: (row: T) => string[]): Page<T> {
  const items = rows.slice(0, limit);
  const last = items.at(-1);
  return { items, next: rows.length > limit && last ? cursorOf(key(last)) : null };
}

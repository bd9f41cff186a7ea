/** Tags: everything that stage, horizon and role do not say. */
import type { Role } from '../accounts';

/** Colours by name; the sheet says what they look like in light and dark. Colour never carries meaning alone: the name stands beside it. */
export const TAG_COLORS = ['stone', 'teal', 'violet', 'copper', 'leaf', 'rose', 'sand', 'sky'] as const;
/** A color of a tag. */
export type TagColor = (typeof TAG_COLORS)[number];
export const MOST_TAG_LETTERS = 60;

/** A tag as pages show it. */
export interface TagView {
  id: string;
  name: string;
  color: TagColor;
  /** Made by Urraca itself or locked by an admin: not to be renamed or deleted. */
  locked: boolean;
  /** How many contacts have it, of those one may see. */
  uses: number;
  made_by: string | null;
  made_at: Date;
}

/** A tag's name as it is kept: one line, no `#` before it. */
export const tagName = (text: string): string =>
  text.replace(/\s+/g, ' ').replace(/^ ?#/, '').trim().slice(0, MOST_TAG_LETTERS).trim();

/** Lenders look on; an account may bar other roles from making new tags, never those who run the office. */
export const mayMakeTags = (role: Role, barred: readonly string[]): boolean =>
  role !== 'lender' && (role === 'owner' || role === 'admin' || !barred.includes(role));
export { tagCell } from './tag-cell';

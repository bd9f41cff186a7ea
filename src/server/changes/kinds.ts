/**
 * How each kind of change is applied to a chunk of contacts and taken back: set-based, in the chunk's transaction, with one
 * row per changed contact that says what stood there before and what stands there now.
 */
import type { RefusalCounts, RefusalCode } from '@/core/contacts';
import type { BulkAction } from '@/core/changes';
import { insertActivitiesSql } from '../contacts';
import type { Tx } from '../shared';

export interface BulkActionContext {
  tx: Tx;
  changeId: string;
  accountId: string;
  userId: string | null;
  /** Who does it, by name. */
  by: string;
  at: Date;
  /** For the timeline: what is done, in words. */
  line: string;
}
export type Counts = RefusalCounts;
export interface Item {
  contact_id: string;
  before: Record<string, unknown>;
  after: Record<string, unknown>;
}

export interface Kind<C extends BulkAction = BulkAction> {
  /** Of these contacts, those whom the change would leave alone, by reason, without changing anything. SQL over `c`, `f`: `case … end`, null for those it changes. */
  leaves: (change: C, bind: unknown[]) => string;
  /** Set when `apply` finds out by itself whom it leaves alone, always for this reason: then nobody is sorted out before. */
  leavesByItself?: RefusalCode;
  apply: (doing: BulkActionContext, change: C, ids: string[]) => Promise<number>;
  /** @returns how many were restored; the rest is left alone with a reason */
  undo: (doing: BulkActionContext, change: C, items: Item[]) => Promise<{ restored: number; why: RefusalCode }>;
}

/** The lines of the timeline and the rows for undo, from a CTE `touched (contact_id, before, after)`. */
export const KEEP = `kept as (insert into change_items (change_id, contact_id, before, after) select $1, contact_id, before, after from touched),
  lines as (${insertActivitiesSql('touched', { account: '$2', contact: 'contact_id', user: '$3', at: '$4', kind: 'changed', data: '$5::jsonb' })})`;
export const keepBind = ({ changeId, accountId, userId, at, line }: BulkActionContext): unknown[] => [
  changeId,
  accountId,
  userId,
  at,
  JSON.stringify({ text: line }),
];

/** The values of items as a recordset for a statement. */
export const itemsJson = (items: Item[]): string => JSON.stringify(items);
export const ITEMS = (n: number): string =>
  `jsonb_to_recordset($${n}::jsonb) as i (contact_id bigint, before jsonb, after jsonb)`;

/**
 * The permission ledger: per address and channel, append-only, with how, when and where from; beside it the state that
 * holds now. A withdrawal that the person made themselves is for good: no form and no import takes it back.
 */
import type { Activity, Channel } from '@/core/contacts';
import { UNKNOWN_PERMISSION, type PermissionState } from '@/core/campaigns';
import type { Tx } from '../shared';

export type PermissionChannel = Exclude<Channel, 'letter'>;

export interface PermissionChange {
  channel: PermissionChannel;
  address: string;
  state: 'granted' | 'withdrawn';
  /** How it was said, for people: `said so on the web form`, `replied STOP`. */
  how: string;
  evidence?: string;
  userId?: string | null;
  /** True when the person themselves withdrew it. */
  forGood?: boolean;
  at: Date;
}

/** Writes changes into the ledger. @returns those that took effect: a grant after a withdrawal for good does not. */
export async function changePermissions(tx: Tx, accountId: string, changes: PermissionChange[]): Promise<PermissionChange[]> {
  if (!changes.length) return [];
  const rows = await tx.rows<{ n: number }>(
    `with change as (
       select * from jsonb_to_recordset($2::jsonb) as x (n int, channel text, address text, state text, how text, evidence text, user_id bigint, for_good boolean, at timestamptz)
     ), written as (
       insert into permission_changes (account_id, channel, address, state, how, evidence, user_id, at)
       select $1, channel, address, state, how, evidence, user_id, at from change
     ), now_holds as (
       insert into permissions (account_id, channel, address, state, for_good, how, evidence, at)
       select $1, channel, address, state, for_good, how, evidence, at from change
       on conflict (account_id, address, channel) do update
         set state = excluded.state, for_good = permissions.for_good or excluded.for_good, how = excluded.how, evidence = excluded.evidence, at = excluded.at
         where not (permissions.for_good and excluded.state = 'granted')
       returning channel, address
     )
     select n from change join now_holds using (channel, address)`,
    [
      accountId,
      JSON.stringify(
        changes.map((change, n) => ({
          n,
          ...change,
          user_id: change.userId ?? null,
          for_good: change.forGood ?? false,
          evidence: change.evidence ?? null,
        })),
      ),
    ],
  );
  const took = new Set(rows.map((row) => row.n));
  return changes.filter((_, n) => took.has(n));
}

/** The line of the timeline for a change. */
export const permissionActivity = (contactId: string, change: PermissionChange): Activity => ({
  contactId,
  userId: change.userId ?? null,
  at: change.at,
  kind: 'permission',
  channel: change.channel,
  direction: null,
  data: { text: `${change.state === 'granted' ? 'Yes' : 'No'}: ${change.how}`, to: change.address },
  because: null,
});

export interface PermissionDetail extends PermissionState {
  channel: PermissionChannel;
  address: string;
  evidence: string | null;
}

/** What holds now for addresses, per channel and address. */
export const readPermissions = async (tx: Tx, accountId: string, addresses: string[]): Promise<PermissionDetail[]> =>
  tx.rows<PermissionDetail>(
    'select channel, address, state, at, how, evidence from permissions where account_id = $1 and address = any($2::text[])',
    [accountId, addresses],
  );

/** The permission for one address, unknown when nobody ever said. */
export const permissionFor = (details: PermissionDetail[], channel: Channel, address: string | undefined): PermissionState =>
  details.find((detail) => detail.channel === channel && detail.address === address) ?? UNKNOWN_PERMISSION;

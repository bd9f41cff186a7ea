/**
 * The permission ledger: per address and channel, append-only, with how, when and where from; beside it the state that
 * holds now. A withdrawal that the person made themselves is for good: no form and no import takes it back. Letters go to a
 * person wherever they live, so what is said about letters stands under the person and not under a house.
 */
import type { Activity, Channel } from '@/core/contacts';
import { UNKNOWN_PERMISSION, type PermissionState } from '@/core/campaigns';
import type { Tx } from '../shared';
import { shownAddress } from './addresses';

export interface PermissionChange {
  channel: Channel;
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
  const rows = changes.map((change, n) => ({
    n,
    ...change,
    user_id: change.userId ?? null,
    for_good: change.forGood ?? false,
    evidence: change.evidence ?? null,
  }));
  const took = await tx.rows<{ n: number }>(
    `with stated as (select * from jsonb_to_recordset($2::jsonb) as x (n int, channel text, address text, state text, how text, evidence text, user_id bigint, for_good boolean, at timestamptz)),
       ledger as (insert into permission_changes (account_id, channel, address, state, how, evidence, user_id, at)
         select $1, channel, address, state, how, evidence, user_id, at from stated),
       now_holds as (insert into permissions (account_id, channel, address, state, for_good, how, evidence, at)
         select $1, channel, address, state, for_good, how, evidence, at from stated
         on conflict (account_id, address, channel) do update
           set state = excluded.state, for_good = permissions.for_good or excluded.for_good, how = excluded.how, evidence = excluded.evidence, at = excluded.at
           where not (permissions.for_good and excluded.state = 'granted')
         returning channel, address)
     select n from stated join now_holds using (channel, address)`,
    [accountId, JSON.stringify(rows)],
  );
  const effective = new Set(took.map(({ n }) => n));
  return changes.filter((_, n) => effective.has(n));
}

/** The line of the timeline for a change. */
export const permissionActivity = (contactId: string, change: PermissionChange): Activity => ({
  contactId,
  userId: change.userId ?? null,
  at: change.at,
  kind: 'permission',
  channel: change.channel,
  direction: null,
  data: {
    text: `${change.state === 'granted' ? 'Yes' : 'No'}: ${change.how}`,
    ...shownAddress(change.channel, change.address),
  },
  because: null,
});

export interface PermissionDetail extends PermissionState {
  channel: Channel;
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

/** A permission that was written by something that is taken back, and what stood there before. */
export interface PermissionBefore {
  channel: string;
  address: string;
  state: string;
  before: object | null;
  /** Only when these still stand there, it is still the same that was written. */
  how?: string;
  evidence?: string;
}

/**
 * Puts permissions back as they were, where what was written still holds; the ledger keeps both.
 * @param why for the ledger: `the import was taken back`
 * @returns those put back, with the state that holds again
 */
export const putBackPermissions = (
  tx: Tx,
  accountId: string,
  previous: PermissionBefore[],
  { why, userId, at }: { why: string; userId: string | null; at: Date },
): Promise<{ channel: string; address: string; state: 'granted' | 'withdrawn' | null }[]> =>
  tx.rows(
    `with said as (select * from jsonb_to_recordset($2::jsonb) as s (channel text, address text, state text, how text, evidence text, before jsonb)),
       same as (select s.channel, s.address, nullif(s.before, 'null') as before from said s join permissions p on p.account_id = $1 and p.channel = s.channel and p.address = s.address
         and p.state = s.state and not p.for_good and (s.how is null or p.how = s.how) and (s.evidence is null or p.evidence = s.evidence)),
       unknown as (delete from permissions p using same s where p.account_id = $1 and p.channel = s.channel and p.address = s.address and s.before is null),
       back as (update permissions p set state = s.before->>'state', how = s.before->>'how', evidence = s.before->>'evidence', at = (s.before->>'at')::timestamptz from same s
         where p.account_id = $1 and p.channel = s.channel and p.address = s.address and s.before is not null),
       written as (insert into permission_changes (account_id, channel, address, state, how, user_id, at)
         select $1, channel, address, coalesce(before->>'state', 'withdrawn'), $3, $4, $5 from same)
     select channel, address, before->>'state' as state from same`,
    [accountId, JSON.stringify(previous), why, userId, at],
  );

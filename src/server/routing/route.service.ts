/** A lead that arrives: which rung is for it, before any lock; and then, late in its transaction, who has it or is offered it. */
import { decide, knownOfLead, startIn, type Fixed, type LeadFacts, type Rung, type Trace } from '@/core/routing';
import { readKnown } from '../segments';
import type { Tx } from '../shared';
import { ladderNow } from './ladders';
import { lockRosters } from './rosters.repository';
import { toLastResort, walk, type Handing } from './walk.service';

export interface Planned {
  version: string;
  /** Who keeps it without any rung being asked. */
  fixed: Fixed | null;
  /** Another inquiry of the same person is being offered: this one goes where that goes. */
  joined: boolean;
  rung: Rung | null;
  who: string;
  unmet: number[];
  /** True when the rung's roster gives leads at once, so that the follow-up begins now and not when somebody accepts. */
  atOnce: boolean;
}

/** A lead whose way is to be found; `fixed` when somebody has it already. */
export interface Routed {
  contactId: string;
  lead: LeadFacts;
  fixed: Fixed | null;
}

/** Which way a lead takes. Reads, and locks nothing; the person must be there when the ladder asks about them. */
export async function planRoute(tx: Tx, accountId: string, { contactId, lead, fixed }: Routed, at: Date): Promise<Planned> {
  const { version, ladder, who, offering } = await ladderNow(tx, accountId);
  const plan: Planned = { version, fixed, joined: false, rung: null, who: '', unmet: [], atOnce: true };
  if (fixed) return plan;
  if (lead.returning && (await isBeingOffered(tx, contactId))) return { ...plan, joined: true, atOnce: false };
  const facts = ladder.asksPerson ? (await readKnown(accountId, [contactId], at, tx)).get(contactId) : undefined;
  const { rung, unmet } = decide(ladder, knownOfLead(lead, facts), at);
  if (!rung) return { ...plan, unmet };
  return { ...plan, unmet, rung, who: who.get(rung.id) ?? '', atOnce: !offering.has(rung.rosterId) };
}

/** Whether the person has a lead that is being offered. */
const isBeingOffered = async (tx: Tx, contactId: string): Promise<boolean> =>
  (await tx.first(`select 1 from routings where contact_id = $1 and state in ('offered','commons') limit 1`, [contactId])) !==
  null;

/**
 * Hands a lead on: everything the choice reads of a roster is read under its row's lock, which is held until the caller commits. So the
 * caller does little after it.
 */
export async function handOver(tx: Tx, accountId: string, { fixed, joined, rung, who }: Planned, at: Date): Promise<Handing> {
  if (fixed) return keptBy(fixed, at);
  if (joined) return joinedTo(at);
  if (!rung) return toLastResort(tx, accountId, at);
  const rosters = await lockRosters(tx, [rung.rosterId], at);
  return walk(tx, accountId, rosters, startIn(rung.rosterId), { rung: rung.position, who }, at);
}

const still = { to: [], endsAt: null, rosterId: null, hides: [], turn: null, passing: null };
function keptBy(fixed: Fixed, at: Date): Handing {
  const { userId, ...because } = fixed;
  return {
    ...still,
    state: 'settled',
    owner: { userId, name: fixed.agent },
    because: because,
    steps: [
      {
        at: at.toISOString(),
        what: 'fixed',
        why: fixed.why,
        agent: fixed.agent,
        ...(fixed.why === 'own_listing' ? { listing: fixed.listing } : {}),
      },
    ],
  };
}
const joinedTo = (at: Date): Handing => ({
  ...still,
  state: 'settled',
  owner: null,
  because: { why: 'joined' },
  steps: [{ at: at.toISOString(), what: 'joined', agent: null }],
});

export const traceOf = (plan: Planned, handing: Handing): Trace => ({
  unmet: plan.unmet,
  rung: plan.rung?.position ?? null,
  steps: handing.steps,
});

/** Leads that arrive: which rung is for each, before any lock; and then, as the last thing of their transaction, who has them or is offered them. */
import type { Because } from '@/core/contacts';
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

/** Which way a lead takes. Reads, and locks nothing. */
export async function planRoute(
  tx: Tx,
  accountId: string,
  contactId: string,
  lead: LeadFacts,
  fixed: Fixed | null,
  at: Date,
): Promise<Planned> {
  const { version, ladder, who, offering } = await ladderNow(tx, accountId);
  const plan = { version, fixed, joined: false, rung: null, who: '', unmet: [], atOnce: true };
  if (fixed) return plan;
  if (lead.returning) {
    const open = await tx.first(`select 1 from routings where contact_id = $1 and state in ('offered','commons') limit 1`, [
      contactId,
    ]);
    if (open) return { ...plan, joined: true, atOnce: false };
  }
  const person = ladder.asksPerson ? (await readKnown(accountId, [contactId], at, tx)).get(contactId) : undefined;
  const { rung, unmet } = decide(ladder, knownOfLead(lead, person), at);
  if (!rung) return { ...plan, unmet };
  return { ...plan, unmet, rung, who: who.get(rung.id) ?? '', atOnce: !offering.has(rung.rosterId) };
}

/**
 * Hands leads on, in their order: everything the choice reads of a roster is read under its row's lock, which is held until the caller
 * commits. So this is the last thing a caller does.
 */
export async function handPlanned(tx: Tx, accountId: string, plans: readonly Planned[], at: Date): Promise<Handing[]> {
  const asked = plans.flatMap(({ fixed, joined, rung }) => (rung && !fixed && !joined ? [rung.rosterId] : []));
  const rosters = await lockRosters(tx, asked, at);
  const handings: Handing[] = [];
  for (const { fixed, joined, rung, who } of plans) {
    if (fixed) handings.push(keptBy(fixed, at));
    else if (joined) handings.push(joinedTo(at));
    else if (rung) handings.push(await walk(tx, accountId, rosters, startIn(rung.rosterId), { rung: rung.position, who }, at));
    else handings.push(await toLastResort(tx, accountId, at));
  }
  return handings;
}

const still = { to: [], endsAt: null, rosterId: null, hides: [], turn: null, passing: null };
function keptBy(fixed: Fixed, at: Date): Handing {
  const { userId, ...because } = fixed;
  return {
    ...still,
    state: 'settled',
    owner: { userId, name: fixed.agent },
    because: because as Because,
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

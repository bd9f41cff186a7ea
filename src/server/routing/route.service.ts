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

/** A lead whose way is to be found; `fixed` when somebody has it already. */
export interface Routed {
  contactId: string;
  lead: LeadFacts;
  fixed: Fixed | null;
}

/** Which way leads take. Reads, and locks nothing; the people must be there when the ladder asks about them. */
export async function planRoutes(tx: Tx, accountId: string, leads: readonly Routed[], at: Date): Promise<Planned[]> {
  const { version, ladder, who, offering } = await ladderNow(tx, accountId);
  const still = { version, joined: false, rung: null, who: '', unmet: [], atOnce: true };
  const asked = leads.flatMap(({ contactId, fixed }) => (fixed ? [] : [contactId]));
  const people = ladder.asksPerson && asked.length ? await readKnown(accountId, asked, at, tx) : undefined;
  const open = await beingOffered(
    tx,
    leads.flatMap(({ contactId, lead, fixed }) => (lead.returning && !fixed ? [contactId] : [])),
  );
  return leads.map(({ contactId, lead, fixed }): Planned => {
    if (fixed) return { ...still, fixed };
    if (open.has(contactId)) return { ...still, fixed, joined: true, atOnce: false };
    const { rung, unmet } = decide(ladder, knownOfLead(lead, people?.get(contactId)), at);
    if (!rung) return { ...still, fixed, unmet };
    return { ...still, fixed, unmet, rung, who: who.get(rung.id) ?? '', atOnce: !offering.has(rung.rosterId) };
  });
}

/** Those of the people who have a lead that is being offered. */
async function beingOffered(tx: Tx, contactIds: string[]): Promise<Set<string>> {
  if (!contactIds.length) return new Set();
  const rows = await tx.rows<{ contact_id: string }>(
    `select contact_id from routings where contact_id = any($1::bigint[]) and state in ('offered','commons')`,
    [contactIds],
  );
  return new Set(rows.map(({ contact_id }) => contact_id));
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

/**
 * Going on with leads: the roster's choice under the roster's lock, then the next roster, until somebody has it or is offered it. Says what is to
 * be written; the caller writes it in the same transaction, as the last thing it does.
 */
import type { Activity, Because } from '@/core/contacts';
import {
  type RoutingStep,
  HAND_OUT_NAMES,
  skippedWords,
  nextRoutingStep,
  type RoutingState,
  type Skipped,
  type TraceStep,
  type Turn,
} from '@/core/routing';
import { nameSql, type Tx } from '../shared';
import type { LockedRoster, LockedRosters } from './rosters.repository';

/** Which rung brought the lead here, in words. */
export interface WalkResult {
  rung: number | null;
  who: string;
}

export interface Handing {
  state: 'offered' | 'commons' | 'given' | 'settled';
  /** Who has it now; null while it is offered. */
  owner: { userId: string; name: string } | null;
  /** To whom it is offered. */
  to: { userId: string; name: string }[];
  endsAt: Date | null;
  rosterId: string | null;
  hides: string[];
  /** The roster's turn as it stands afterwards; null when nobody's turn was used. */
  turn: Turn | null;
  passing: RoutingState | null;
  because: Because;
  steps: TraceStep[];
}

const later = (at: Date, seconds: number): Date => new Date(at.getTime() + seconds * 1_000);
const passedOver = (skipped: Skipped[]): { skipped: string[]; passed?: string } => ({
  skipped: skipped.map(({ name }) => name),
  ...(skipped.length ? { passed: skippedWords(skipped) } : {}),
});

/** The safety net of an account for whom no rung fits: that of its first roster, or else whoever owns the brokerage. */
export async function lastResort(tx: Tx, accountId: string): Promise<{ userId: string; name: string }> {
  const row = await tx.first<{ id: string; name: string }>(
    `select u.id, ${nameSql('u')} as name from users u
     left join (select safety_net_id from rosters where account_id = $1 and deleted_at is null order by id limit 1) r on r.safety_net_id = u.id
     where u.account_id = $1 and u.active and (r.safety_net_id is not null or u.role in ('owner','admin'))
     order by r.safety_net_id is null, u.role = 'owner' desc, u.id limit 1`,
    [accountId],
  );
  if (!row) throw new Error(`account ${accountId} has nobody who could take a lead`);
  return { userId: row.id, name: row.name };
}

export async function toLastResort(tx: Tx, accountId: string, at: Date): Promise<Handing> {
  const net = await lastResort(tx, accountId);
  return {
    state: 'settled',
    owner: net,
    to: [],
    endsAt: null,
    rosterId: null,
    hides: [],
    turn: null,
    passing: null,
    because: { why: 'safety_net', roster: null, agent: net.name, cause: 'no_rung' },
    steps: [{ at: at.toISOString(), what: 'safety_net', agent: net.name, roster: null, cause: 'no_rung', skipped: [] }],
  };
}

/**
 * Goes on from where the lead is. The rosters stand afterwards as they will once this is written, so that the next lead of the same
 * transaction is handed on as if it came later.
 */
export async function walk(
  tx: Tx,
  accountId: string,
  rosters: LockedRosters,
  from: RoutingState,
  result: WalkResult,
  at: Date,
): Promise<Handing> {
  const handing = await walkOf(tx, accountId, rosters, from, result, at);
  const roster = handing.rosterId ? rosters.get(handing.rosterId) : undefined;
  if (roster && handing.turn) roster.turn = handing.turn;
  if (handing.owner)
    for (const { members } of rosters.values()) {
      const owner = members.find(({ userId }) => userId === handing.owner!.userId);
      if (!owner) continue;
      owner.open += 1;
      if (roster) owner.today += 1;
    }
  return handing;
}

async function walkOf(
  tx: Tx,
  accountId: string,
  rosters: LockedRosters,
  from: RoutingState,
  result: WalkResult,
  at: Date,
): Promise<Handing> {
  const steps: TraceStep[] = [];
  const when = at.toISOString();
  let passing = from;
  for (;;) {
    const roster = rosters.get(passing.rosterId);
    if (!roster) {
      const net = await toLastResort(tx, accountId, at);
      return { ...net, steps: [...steps, ...net.steps] };
    }
    const stepped = nextRoutingStep(roster, passing, at);
    const { step } = stepped;
    passing = stepped.passing;
    const base = { rosterId: roster.id, hides: roster.hides, turn: stepped.turn, passing };
    if (step.do === 'go_on') {
      const next = rosters.get(step.rosterId);
      steps.push({ at: when, what: 'went_on', roster: roster.name, to: next?.name ?? '', skipped: step.skipped });
      continue;
    }
    const taken =
      step.do === 'safety_net'
        ? caught(roster, step, when)
        : step.do === 'give'
          ? given(roster, step, result, at)
          : { ...offered(roster, step, result, at), told: offerStep(roster, step, HAND_OUT_NAMES[roster.handOut], when) };
    const { told, ...handing } = taken;
    return { ...base, ...handing, steps: [...steps, told] };
  }
}

type Outcome = Pick<Handing, 'state' | 'owner' | 'to' | 'endsAt' | 'because'> & { told: TraceStep };
type StepOf<Do extends RoutingStep['do']> = Extract<RoutingStep, { do: Do }>;

function caught(roster: LockedRoster, step: StepOf<'safety_net'>, when: string): Outcome {
  const { userId, name, cause } = step;
  const skipped = step.skipped.filter(({ why }) => why !== 'had_it');
  return {
    state: 'settled',
    owner: { userId, name },
    to: [],
    endsAt: null,
    because: { why: 'safety_net', roster: roster.name, agent: name, cause },
    told: { at: when, what: 'safety_net', agent: name, roster: roster.name, cause, skipped },
  };
}

function given(roster: LockedRoster, step: StepOf<'give'>, result: WalkResult, at: Date): Outcome {
  const { userId, name, seconds, skipped } = step;
  const how = HAND_OUT_NAMES[roster.handOut];
  return {
    state: seconds === null ? 'settled' : 'given',
    owner: { userId, name },
    to: [],
    endsAt: seconds === null ? null : later(at, seconds),
    because: {
      why: roster.handOut === 'weighted' ? 'weighted' : 'round_robin',
      ...result,
      roster: roster.name,
      agent: name,
      ...passedOver(skipped),
    },
    told: { at: at.toISOString(), what: 'given', roster: roster.name, how, agent: name, seconds, skipped },
  };
}

type Offering = { do: 'offer' | 'commons'; to: { userId: string; name: string }[]; seconds: number; skipped: Skipped[] };
const offered = (
  roster: LockedRoster,
  step: Offering,
  result: WalkResult,
  at: Date,
): Pick<Handing, 'state' | 'owner' | 'to' | 'endsAt' | 'because'> => ({
  state: step.do === 'offer' ? 'offered' : 'commons',
  owner: null,
  to: step.to,
  endsAt: later(at, step.seconds),
  because:
    step.do === 'offer'
      ? {
          why: 'offered',
          ...result,
          roster: roster.name,
          to: step.to.map(({ name }) => name),
          ...(step.skipped.length ? { passed: skippedWords(step.skipped) } : {}),
        }
      : { why: 'commons', roster: roster.name },
});
function offerStep(roster: LockedRoster, step: Offering, how: string, at: string): TraceStep {
  const to = step.to.map(({ name }) => name);
  return step.do === 'offer'
    ? { at, what: 'offered', roster: roster.name, how, to, seconds: step.seconds, skipped: step.skipped }
    : { at, what: 'commons', roster: roster.name, to, seconds: step.seconds };
}

/** The line of the timeline that says who has a lead, or to whom it is offered, and why. */
export const handedLine = (contactId: string, because: Because, at: Date): Activity => ({
  contactId,
  userId: null,
  at,
  kind: 'handed',
  channel: null,
  direction: null,
  data: {},
  because,
});

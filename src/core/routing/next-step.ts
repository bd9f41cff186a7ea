/**
 * The way of one lead through rosters: what is done with it now, and next when a window has ended. Each roster is entered once, so
 * the way has an end, and the end is a named person.
 */
import { isOffered, nextInTurn, skipOf, type Roster, type Skipped, type Turn } from './roster';

/** How far a lead has come: the roster it is in, who there had it already, and the rosters behind it. */
export interface RoutingState {
  rosterId: string;
  had: string[];
  visited: string[];
  /** Whether it has been in the commons of its roster. */
  lay: boolean;
}

/** Why a lead went to the safety net. */
export type NetCause = 'no_rung' | 'all_away' | 'nobody_claimed' | 'nobody_tried' | 'roster_empty';
/** What happens with a lead now. */
export type RoutingStep =
  /** They have it now. `seconds`: it goes on when nobody has tried it by then. */
  | { do: 'give'; userId: string; name: string; seconds: number | null; skipped: Skipped[] }
  | { do: 'offer'; to: { userId: string; name: string }[]; seconds: number; skipped: Skipped[] }
  /** Nobody's, for whoever of the roster takes it first. */
  | { do: 'commons'; to: { userId: string; name: string }[]; seconds: number; skipped: Skipped[] }
  | { do: 'go_on'; rosterId: string; skipped: Skipped[] }
  | { do: 'safety_net'; userId: string; name: string; cause: NetCause; skipped: Skipped[] };

export const startIn = (rosterId: string): RoutingState => ({ rosterId, had: [], visited: [rosterId], lay: false });

/** A step with where the routing stands afterwards. */
export interface Stepped {
  step: RoutingStep;
  passing: RoutingState;
  /** How the roster's turn stands afterwards; null when it was not used. */
  turn: Turn | null;
}

/** What happens with the lead in the roster it is in, at `now`. After `go_on` the caller reads the next roster and asks again. */
export function nextRoutingStep(roster: Roster, passing: RoutingState, now: Date): Stepped {
  const skipped: Skipped[] = [];
  const may = [...roster.members]
    .sort((a, b) => a.position - b.position)
    .filter((member) => {
      const why = passing.had.includes(member.userId) ? 'had_it' : skipOf(member, now);
      if (why) skipped.push({ name: member.name, why });
      return !why;
    });
  const turnsLeft =
    roster.handOut === 'open' ? passing.had.length === 0 : roster.mostTurns === null || passing.had.length < roster.mostTurns;
  if (passing.lay || !turnsLeft || !may.length) return after(roster, passing, skipped);
  if (roster.handOut === 'open') {
    const to = may.map(({ userId, name }) => ({ userId, name }));
    return {
      step: { do: 'offer', to, seconds: roster.windowSeconds, skipped },
      passing: { ...passing, had: [...passing.had, ...to.map(({ userId }) => userId)] },
      turn: null,
    };
  }
  const { member, turn } = nextInTurn(roster, may);
  const { userId, name } = member;
  const next = { ...passing, had: [...passing.had, userId] };
  if (isOffered(roster.handOut))
    return { step: { do: 'offer', to: [{ userId, name }], seconds: roster.windowSeconds, skipped }, passing: next, turn };
  return { step: { do: 'give', userId, name, seconds: roster.trySeconds, skipped }, passing: next, turn };
}

/** Whom nobody of the roster took. */
function after(roster: Roster, passing: RoutingState, skipped: Skipped[]): Stepped {
  const { then } = roster;
  if (then.to === 'roster' && !passing.visited.includes(then.rosterId))
    return {
      step: { do: 'go_on', rosterId: then.rosterId, skipped },
      passing: { rosterId: then.rosterId, had: [], visited: [...passing.visited, then.rosterId], lay: false },
      turn: null,
    };
  if (then.to === 'commons' && !passing.lay) {
    const to = roster.members.filter(({ active }) => active).map(({ userId, name }) => ({ userId, name }));
    if (to.length)
      return { step: { do: 'commons', to, seconds: then.seconds, skipped }, passing: { ...passing, lay: true }, turn: null };
  }
  const cause: NetCause = !roster.members.length
    ? 'roster_empty'
    : !passing.had.length && !passing.lay
      ? 'all_away'
      : isOffered(roster.handOut) || passing.lay
        ? 'nobody_claimed'
        : 'nobody_tried';
  return { step: { do: 'safety_net', ...roster.safetyNet, cause, skipped }, passing, turn: null };
}

/** The shapes in which routing reaches the page, and how times of windows are said. */
import type { LadderView, MyOfferView, OfferView, RehearsalView, RosterView, RungView } from '@/core/routing';
import { howLong, type Jsoned } from '@/core/shared';

export type LadderJson = Jsoned<LadderView>;
export type RungJson = Jsoned<RungView>;
export type RosterJson = Jsoned<RosterView>;
export type Offer = Jsoned<OfferView>;
export type MyOffer = Jsoned<MyOfferView>;
export type RehearsalJson = Jsoned<RehearsalView>;
export interface Waiting {
  items: Offer[];
  total: number;
}

export const long = (seconds: number): string => howLong(seconds * 1_000);

/** How a roster hands out, as the end of a rung's sentence. */
export function describeRoster(roster: RosterJson): string {
  const tried = roster.try_seconds === null ? '' : `, moves on if not attempted within ${long(roster.try_seconds)}`;
  switch (roster.hand_out) {
    case 'round_robin':
      return `round robin${tried}`;
    case 'weighted':
      return `by shares${tried}`;
    case 'open':
      return `open claim, ${long(roster.window_seconds)}${tried}`;
    case 'turns':
      return `timed turns of ${long(roster.window_seconds)}${tried}`;
  }
}

/** What happens when nobody took it. */
export const thenOf = (roster: RosterJson): string =>
  roster.then.to === 'roster'
    ? `then ${roster.then.roster?.name ?? 'another roster'}`
    : roster.then.to === 'commons'
      ? `then the commons for ${long(roster.then.seconds)}, then ${roster.safety_net.name}`
      : `safety net: ${roster.safety_net.name}`;

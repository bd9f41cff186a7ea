/** The areas of the Wire with the number that matters in each, wherever they stand: on the line, or in the bar of a phone. */
import type { Area, Role } from '@/core/accounts';
import type { Format } from '@/core/format';
import type { WireFrame, WireView } from '@/core/today';
import type { Jsoned } from '@/core/shared';

export type Wire = Jsoned<WireView>;
export type WireStand = Jsoned<WireFrame>;
/** What the Wire can open. */
export interface WireDoors {
  onSearch: () => void;
  onAdd: () => void;
  onHelp: () => void;
  onFormats: () => void;
  onAlerts: () => void;
  onLogin: () => void;
  onProfile: () => void;
  onTimeOff: () => void;
}
export interface WireProps extends WireDoors {
  /** Null until its numbers are counted. */
  wire: Wire | null;
  clock: WireStand['clock'];
  me: { id: string; name: string; role: Role };
}

const COUNTS: Record<Area['key'], (wire: Wire, format: Format) => string> = {
  today: (wire, { number }) => number(wire.today),
  inbox: (wire, { number }) => number(wire.inbox),
  intake: (wire, { number }) => number(wire.intake),
  contacts: (wire, { number }) => number(wire.contacts),
  routing: (wire, { number }) => `${number(wire.routing)} waiting`,
  campaigns: (wire, { number }) => number(wire.campaigns),
  market: (wire, { number }) => number(wire.market),
  results: (wire, { percent }) => (wire.results === null ? '–' : percent(wire.results / 100)),
};
export const MEANINGS: Record<Area['key'], string> = {
  today: 'due today',
  inbox: 'unread conversations',
  intake: 'inquiries today',
  contacts: 'contacts',
  routing: 'leads not attempted yet',
  campaigns: 'contacts in campaigns',
  market: 'listings on the market',
  results: 'of the last 30 days’ leads attempted',
};
/** The number of an area, and what it counts. */
export const countOf = (area: Area, wire: Wire | null, format: Format): string => (wire ? COUNTS[area.key](wire, format) : '…');
export const isHere = (area: Area, path: string): boolean => path === area.path || path.startsWith(`${area.path}/`);

/** What Results measures, each with its definition in a sentence. The server computes them; the people behind each number stand in Contacts. */
/** So many days Results can look back. */
export const RESULT_PERIODS = [7, 30, 90, 180] as const;
const USUAL_PERIOD = 30;
/** A period that was chosen before, or the usual one. */
export const periodOf = (chosen: unknown): number => RESULT_PERIODS.find((one) => one === chosen) ?? USUAL_PERIOD;

export const MEASURES = [
  { key: 'leads', name: 'Leads', definition: 'Leads assigned to the agent in this period.' },
  { key: 'tried', name: 'Attempted', definition: 'Leads called since.' },
  {
    key: 'fast',
    name: 'In 5 minutes',
    definition: 'Leads first attempted by a person within 5 minutes.',
  },
  { key: 'reached', name: 'Reached', definition: 'Leads reached by phone since.' },
  {
    key: 'conversations',
    name: 'Conversations',
    definition: 'Leads with a conversation of at least the minimum length in Setup.',
  },
  {
    key: 'clients',
    name: 'Clients',
    definition: 'Leads now at Client, Under contract, or Past client.',
  },
] as const;
/** A number of Results. */
export type Measure = (typeof MEASURES)[number]['key'];
export const MEASURE_KEYS = MEASURES.map<Measure>((measure) => measure.key);

/** The numbers of one agent, or of all. */
export interface ResultRow {
  /** Null for all agents together. */
  agent: { id: string; name: string } | null;
  leads: number;
  tried: number;
  fast: number;
  reached: number;
  conversations: number;
  clients: number;
  talkSeconds: number;
  /** Median of the seconds from an inquiry's arrival to the first try by a person; null when nobody was tried. */
  medianSpeedSeconds: number | null;
}

/** Which leads a number counts: of a period, and where they came from or when. */
export interface Behind {
  measure: Measure;
  agentId: string | null;
  from: Date;
  to: Date;
  conversationSeconds: number;
  doorId?: string;
  rosterId?: string;
  /** The hour of the week at which the inquiry came, by the clock of the account. */
  hour?: { day: number; hour: number };
}

/** What speed to lead is looked at by. */
export const SPEED_BY = ['agent', 'roster', 'door', 'hour'] as const;
/** What speed to lead is told apart by. */
export type SpeedBy = (typeof SPEED_BY)[number];
/** Speed to lead of one agent, roster, door or hour. */
export interface SpeedRow {
  /** The agent, roster or door; for hours of the week `3-14`, which is Wednesday from 14:00. */
  key: string;
  name: string;
  leads: number;
  fast: number;
  /** Median seconds from an inquiry to the first try; null when nobody was tried. */
  median_seconds: number | null;
}
/** `3-14` as day and hour; null when it is none. */
export function hourOf(key: string): { day: number; hour: number } | null {
  const found = /^([1-7])-(\d|1\d|2[0-3])$/.exec(key);
  return found && { day: Number(found[1]), hour: Number(found[2]) };
}

/** A share in whole per cent; null when there is nothing to divide by. */
export const share = (part: number, whole: number): number | null => (whole === 0 ? null : Math.round((100 * part) / whole));

/** What Results measures, each with its definition in a sentence. The server computes them; the people behind each number stand in Contacts. */
export const MEASURES = [
  { key: 'leads', name: 'Leads', definition: 'People whose inquiry in the period was handed to the agent.' },
  { key: 'tried', name: 'Tried', definition: 'Of these leads, those whom somebody has called since.' },
  { key: 'reached', name: 'Reached', definition: 'Of these leads, those whom somebody has spoken with by phone since.' },
  {
    key: 'conversations',
    name: 'Conversations',
    definition: 'Of these leads, those with two-way talk of at least the least length set in Setup.',
  },
  {
    key: 'clients',
    name: 'Clients',
    definition: 'Of these leads, those who stand at Client, Under contract or Past client now.',
  },
] as const;
export type Measure = (typeof MEASURES)[number]['key'];
export const MEASURE_KEYS = MEASURES.map((measure) => measure.key) as Measure[];

export interface ResultRow {
  /** Null for all agents together. */
  agent: { id: string; name: string } | null;
  leads: number;
  tried: number;
  reached: number;
  conversations: number;
  clients: number;
  talkSeconds: number;
  /** Median of the seconds from an inquiry's arrival to the first try by a person; null when nobody was tried. */
  medianSpeedSeconds: number | null;
}

/** A share in whole per cent; null when there is nothing to divide by. */
export const share = (part: number, whole: number): number | null => (whole === 0 ? null : Math.round((100 * part) / whole));

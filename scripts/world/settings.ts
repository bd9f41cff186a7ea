/** The fixed points of the demo world: its day, its brokerage, its people. The same on every machine. */

/** The instant at which the demo begins: a Monday morning, 10:24 on the coast. */
export const START = new Date('2026-11-23T18:24:00Z');
export const ZONE = 'America/Los_Angeles';
/** Made up, like everything here; of the unassigned postal codes 987xx. */
export const POSTAL_ADDRESS = '1 Harbor Row, Quillhaven, WA 98701';
export const BROKERAGE = 'Tern & Tiller Realty';
export const PASSWORD = 'urraca-demo';
export const DEMO_KEY = 'urraca-demo-key';

export interface Colleague {
  id: string;
  role: 'owner' | 'admin' | 'agent' | 'caller' | 'lender';
  first: string;
  last: string;
  login: string;
  office: string | null;
  phone: string;
}

const agents: [string, string, string][] = [
  ['Asta', 'Lund', '1'],
  ['Jory', 'Pell', '1'],
  ['Teo', 'Marchetti', '1'],
  ['Mirela', 'Stan', '1'],
  ['Priya', 'Anand', '1'],
  ['Desmond', 'Farrow', '2'],
  ['Sabine', 'Okoro', '2'],
  ['Liv', 'Castellane', '2'],
  ['Maren', 'Ostby', '2'],
];

export const COLLEAGUES: Colleague[] = [
  { id: '1', role: 'admin', first: 'Ines', last: 'Kolar', login: 'admin', office: '1', phone: '+13605550101' },
  ...agents.map(([first, last, office], at) => ({
    id: String(at + 2),
    role: 'agent' as const,
    first,
    last,
    login: `agent${at + 1}`,
    office,
    phone: `+1360555011${at}`,
  })),
  { id: '11', role: 'caller', first: 'Cato', last: 'Wray', login: 'caller', office: '1', phone: '+13605550120' },
  { id: '12', role: 'lender', first: 'Hollis', last: 'Brandt', login: 'lender', office: null, phone: '+13605550121' },
  { id: '13', role: 'owner', first: 'Wendel', last: 'Tiller', login: 'owner', office: '1', phone: '+13605550122' },
];
export const AGENT_IDS = COLLEAGUES.filter(({ role }) => role === 'agent').map(({ id }) => id);
export const LISTING_DESK = ['4', '8', '6'];
/** Away from the day before until Thursday, so that the round robin has somebody to skip. */
export const AWAY = { userId: '5', since: new Date('2026-11-22T17:00:00Z'), until: new Date('2026-11-26T16:00:00Z') };
export const nameOf = (id: string): string => {
  const colleague = COLLEAGUES.find((one) => one.id === id)!;
  return `${colleague.first} ${colleague.last}`;
};

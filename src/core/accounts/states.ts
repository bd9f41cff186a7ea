/** The states that a brokerage is licensed in (ANSI INCITS 38), each with the time zone of most who live there. */

/** A time zone of the United States, as people call it. */
export interface UsZone {
  zone: string;
  name: string;
}
export const US_ZONES: readonly UsZone[] = [
  { zone: 'America/New_York', name: 'Eastern' },
  { zone: 'America/Chicago', name: 'Central' },
  { zone: 'America/Denver', name: 'Mountain' },
  { zone: 'America/Phoenix', name: 'Arizona' },
  { zone: 'America/Los_Angeles', name: 'Pacific' },
  { zone: 'America/Anchorage', name: 'Alaska' },
  { zone: 'Pacific/Honolulu', name: 'Hawaii' },
  { zone: 'America/Puerto_Rico', name: 'Atlantic' },
];
const [EAST, CENTRAL, MOUNTAIN, ARIZONA, WEST, ALASKA, HAWAII, ATLANTIC] = US_ZONES.map(({ zone }) => zone) as [
  string,
  string,
  string,
  string,
  string,
  string,
  string,
  string,
];

/** A state, the District of Columbia or Puerto Rico. */
export interface UsState {
  code: string;
  name: string;
  /** Where most of it is. */
  zone: string;
}
const inZone = (zone: string, states: Record<string, string>): UsState[] =>
  Object.entries(states).map(([code, name]) => ({ code, name, zone }));

export const US_STATES: readonly UsState[] = [
  ...inZone(EAST, {
    CT: 'Connecticut',
    DC: 'District of Columbia',
    DE: 'Delaware',
    FL: 'Florida',
    GA: 'Georgia',
    IN: 'Indiana',
    KY: 'Kentucky',
    MA: 'Massachusetts',
    MD: 'Maryland',
    ME: 'Maine',
    MI: 'Michigan',
    NC: 'North Carolina',
    NH: 'New Hampshire',
    NJ: 'New Jersey',
    NY: 'New York',
    OH: 'Ohio',
    PA: 'Pennsylvania',
    RI: 'Rhode Island',
    SC: 'South Carolina',
    VA: 'Virginia',
    VT: 'Vermont',
    WV: 'West Virginia',
  }),
  ...inZone(CENTRAL, {
    AL: 'Alabama',
    AR: 'Arkansas',
    IA: 'Iowa',
    IL: 'Illinois',
    KS: 'Kansas',
    LA: 'Louisiana',
    MN: 'Minnesota',
    MO: 'Missouri',
    MS: 'Mississippi',
    ND: 'North Dakota',
    NE: 'Nebraska',
    OK: 'Oklahoma',
    SD: 'South Dakota',
    TN: 'Tennessee',
    TX: 'Texas',
    WI: 'Wisconsin',
  }),
  ...inZone(MOUNTAIN, {
    CO: 'Colorado',
    ID: 'Idaho',
    MT: 'Montana',
    NM: 'New Mexico',
    UT: 'Utah',
    WY: 'Wyoming',
  }),
  ...inZone(ARIZONA, { AZ: 'Arizona' }),
  ...inZone(WEST, { CA: 'California', NV: 'Nevada', OR: 'Oregon', WA: 'Washington' }),
  ...inZone(ALASKA, { AK: 'Alaska' }),
  ...inZone(HAWAII, { HI: 'Hawaii' }),
  ...inZone(ATLANTIC, { PR: 'Puerto Rico' }),
].sort((a, b) => (a.name < b.name ? -1 : 1));

export const STATE_CODES: readonly string[] = US_STATES.map(({ code }) => code);
export const stateName = (code: string): string => US_STATES.find((state) => state.code === code)?.name ?? code;

/** One contact of the demo world with everything that ever happened to them, drawn from a seed of their own. */
import type { CallOutcome } from '@/core/calling';
import type { Random } from '@/core/shared';
import type { ContactRole, Because, Activity, Horizon, Stage } from '@/core/contacts';
import { AREA_CODES, ASKS, FEATURES, FIRST_NAMES, LAST_NAMES, MAIL_DOMAINS, SOURCES, TAGS } from './names';
import type { Town } from './county';

export interface WorldContact {
  id: string;
  first: string;
  last: string;
  phone: string | null;
  email: string | null;
  town: Town;
  postalCode: string;
  street: string | null;
  roles: ContactRole[];
  source: string;
  tags: string[];
  wants: Record<string, unknown>;
  ask: string;
  createdAt: Date;
  ownerId: string;
  kind: 'lead' | 'sphere';
  /** Filled by the history. */
  horizon: Horizon | null;
  stage: Stage;
  activities: Activity[];
  calls: WorldCall[];
  messages: WorldMessage[];
  tasks: { kind: 'call' | 'promise'; dueAt: Date; note: string; doneAt: Date | null; key: string | null }[];
  permissions: { channel: 'call' | 'text' | 'email'; state: 'granted' | 'withdrawn'; how: string; forGood: boolean; at: Date }[];
  phoneError: string | null;
  enrollment: {
    state: 'active' | 'stopped' | 'finished';
    step: number;
    startedAt: Date;
    dueAt: Date | null;
    endedAt: Date | null;
    because: Because;
  } | null;
  routed: { because: Because; rungId: string | null } | null;
  firstTryAt: Date | null;
  /** A second inquiry of the same person, who stays with their agent. */
  cameBack: { at: Date; ask: string; firstTryAt: Date | null } | null;
}
export interface WorldCall {
  startedAt: Date;
  answeredAt: Date | null;
  endedAt: Date;
  outcome: CallOutcome;
  talkSeconds: number;
  note: string;
}
export interface WorldMessage {
  channel: 'text' | 'email' | 'letter';
  step: number;
  at: Date;
  text: string;
  subject: string | null;
}

const taken = new Map<string, number>();
/** First and last name, with a number when somebody has that address already. */
function mailAddress(first: string, last: string, n: number): string {
  const domain = MAIL_DOMAINS[n % MAIL_DOMAINS.length]!;
  const local = `${first}.${last}`.toLowerCase();
  const holder = taken.get(`${local}@${domain}`) ?? n;
  taken.set(`${local}@${domain}`, holder);
  return `${local}${holder === n ? '' : n}@${domain}`;
}

const price = (random: Random) => random.int(26, 90) * 10_000;

const leadRole = (random: Random): ContactRole => {
  if (random.chance(0.78)) return 'buyer';
  if (random.chance(0.7)) return 'seller';
  return random.chance(0.6) ? 'renter' : 'landlord';
};

/** Who they are: name, addresses, town, wants. `n` counts from 0 and makes numbers and addresses unique. */
export function drawContact(n: number, random: Random, towns: Town[], kind: 'lead' | 'sphere', createdAt: Date): WorldContact {
  const first = random.pick(FIRST_NAMES);
  const last = random.pick(LAST_NAMES);
  const town = random.chance(0.42) ? towns[0]! : random.pick(towns);
  const beds = random.int(2, 5);
  const to = price(random);
  const role = kind === 'lead' ? leadRole(random) : random.pick<ContactRole>(['buyer', 'seller', 'seller', 'vendor']);
  const roles: ContactRole[] = role === 'seller' && random.chance(0.35) ? ['seller', 'buyer'] : [role];
  const street = random.pick(town.streets);
  const hasPhone = random.chance(0.93);
  const fill = (text: string) =>
    text
      .replace('{home}', `${random.int(3, 240)} ${street}`)
      .replace('{town}', town.name)
      .replace('{beds}', String(beds))
      .replace('{price}', to.toLocaleString('en-US'));
  return {
    id: String(n + 1),
    first,
    last,
    phone: hasPhone ? `+1${AREA_CODES[Math.floor(n / 100)]}55501${String(n % 100).padStart(2, '0')}` : null,
    email: !hasPhone || random.chance(0.86) ? mailAddress(first, last, n) : null,
    town,
    postalCode: random.pick(town.postalCodes),
    street: random.chance(kind === 'sphere' ? 0.95 : 0.45) ? `${random.int(3, 240)} ${street}` : null,
    roles,
    source: kind === 'sphere' ? random.pick(['Referral', 'Sphere', 'Past client']) : random.pick(SOURCES),
    tags: [
      ...new Set([
        ...(random.chance(0.5) ? [random.pick(TAGS)] : []),
        ...(random.chance(0.2) ? [random.pick(TAGS)] : []),
        ...(random.chance(0.35) ? [town.name] : []),
      ]),
    ],
    wants: roles.includes('buyer')
      ? { bedrooms: beds, price_max: to, price_min: Math.round(to * 0.7), areas: [town.name], features: [random.pick(FEATURES)] }
      : {},
    ask: roles.includes('buyer') ? fill(random.pick(ASKS)) : `What’s my home at ${random.int(3, 240)} ${street} worth?`,
    createdAt,
    ownerId: '',
    kind,
    horizon: null,
    stage: 'new',
    activities: [],
    calls: [],
    messages: [],
    tasks: [],
    permissions: [],
    phoneError: null,
    enrollment: null,
    routed: null,
    firstTryAt: null,
    cameBack: null,
  };
}

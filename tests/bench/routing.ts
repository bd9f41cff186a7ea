/** The part of the bench that needs no database: decisions of a ladder of fifty rungs, lead mails read, each on one core. Prints JSON. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readLeadMail } from '@/core/mail';
import { decide, knownOfLead, leadOf, readyLadder, startIn, nextRoutingStep, type Roster, type Rung } from '@/core/routing';
import type { Tree } from '@/core/segments';
import { seeded } from '@/core/shared';
import { parseMail } from '@/providers/mails';

const TOWNS = ['Quillhaven', 'Saltmarsh', 'Petrel Point', 'Tarn Hollow', 'Oldmill Reach'];
const AT = new Date('2026-11-23T18:24:00Z');
const RUNGS = 50;
const LEADS = 2_000;

/** Rungs as an admin would make them: a town, a span of prices, an hour, a source, roles. The last one takes everybody. */
const rungs: Rung[] = Array.from({ length: RUNGS }, (_, at) => ({
  id: String(at + 1),
  position: at + 1,
  tree: {
    all:
      at === RUNGS - 1
        ? []
        : ([
            { on: 'lead_town', how: 'any', of: [TOWNS[at % 5]!, TOWNS[(at + 2) % 5]!] },
            { on: 'lead_price', how: 'between', from: at * 20_000, to: at * 20_000 + 15_000 },
            { on: 'lead_role', how: 'any', of: ['buyer', 'renter'] },
            ...(at % 4 ? [] : [{ on: 'lead_hour', how: 'at', days: [1, 2, 3, 4, 5], from: '08:00', to: '20:00' }]),
            ...(at % 7 ? [] : [{ on: 'lead_source', how: 'none', of: ['Harbor Portal'] }]),
          ] as Tree[]),
  },
  rosterId: '1',
  campaignId: null,
  tags: [],
  lender: null,
  notify: [],
}));
const roster: Roster = {
  id: '1',
  name: 'Coast agents',
  handOut: 'weighted',
  windowSeconds: 300,
  trySeconds: null,
  mostTurns: null,
  then: { to: 'safety_net' },
  turn: { lastUserId: null, credit: {} },
  safetyNet: { userId: '99', name: 'Ines Kolar' },
  members: Array.from({ length: 12 }, (_, at) => ({
    ...{ userId: String(at), name: `Agent ${at}`, position: at, weight: 1 + (at % 3), dailyCap: 400, openCap: null },
    hours: [{ days: [1, 2, 3, 4, 5], from: '07:00', to: '22:00' }],
    ...{ timeZone: 'America/Los_Angeles', paused: false, awayUntil: null, active: true, today: 0, open: 0 },
  })),
};

function decisions(): number {
  const random = seeded('leads of the bench');
  const leads = Array.from({ length: LEADS }, () =>
    leadOf(
      '1',
      { roles: ['buyer'], city: random.pick(TOWNS), wants: { price_max: random.int(0, 1_200_000) }, phones: ['+15645550123'] },
      random.pick(['Harbor Portal', 'Web']),
      false,
    ),
  );
  const ladder = readyLadder({ rungs, ownListing: false }, 'America/Los_Angeles');
  let done = 0;
  const began = performance.now();
  while (performance.now() - began < 3_000) {
    for (const lead of leads) {
      const { rung } = decide(ladder, knownOfLead(lead), AT);
      const { turn } = nextRoutingStep(roster, startIn(rung!.rosterId), AT);
      roster.turn = turn ?? roster.turn;
    }
    done += leads.length;
  }
  return done / ((performance.now() - began) / 1_000);
}

async function mails(): Promise<number> {
  const folder = join(process.cwd(), 'tests/data/mails');
  const files = readdirSync(folder)
    .filter((name) => name.endsWith('.eml'))
    .map((name) => readFileSync(join(folder, name)));
  let done = 0;
  const began = performance.now();
  while (performance.now() - began < 3_000) {
    for (const raw of files) readLeadMail(await parseMail(raw), AT);
    done += files.length;
  }
  return done / ((performance.now() - began) / 1_000);
}

const median = (numbers: number[]): number => [...numbers].sort((a, b) => a - b)[1]!;
void (async () => {
  const decided = median([decisions(), decisions(), decisions()]);
  const read = median([await mails(), await mails(), await mails()]);
  console.log(JSON.stringify({ decisions_per_second: Math.round(decided), mails_per_second: Math.round(read) }));
})();

import fc from 'fast-check';
import { readTree } from '../segments/schemas';
import { segmentSentence, type Known, type Tree } from '../segments';
import {
  answerOf,
  circleOf,
  decide,
  hundredths,
  knownOfLead,
  leadOf,
  longestWay,
  nextInTurn,
  readyLadder,
  RoutingRehearsal,
  sentenceOfStep,
  shadowedRungs,
  skipOf,
  skippedWords,
  startIn,
  nextRoutingStep,
  Tally,
  unevenness,
  type HandOut,
  type LeadFacts,
  type Member,
  type RoutingState,
  type PastInquiry,
  type Roster,
  type Rung,
  type RoutingStep,
} from '.';

const NOW = new Date('2026-11-23T18:00:00Z');
const ZONE = 'America/Los_Angeles';
const member = (at: number, more: Partial<Member> = {}): Member => ({
  userId: String(at),
  name: `Agent ${at}`,
  position: at,
  weight: 1,
  dailyCap: null,
  openCap: null,
  hours: [],
  timeZone: ZONE,
  paused: false,
  awayUntil: null,
  active: true,
  today: 0,
  open: 0,
  ...more,
});
const rosterOf = (members: Member[], handOut: HandOut = 'round_robin', more: Partial<Roster> = {}): Roster => ({
  id: '1',
  name: 'Coast agents',
  handOut,
  windowSeconds: 60,
  trySeconds: null,
  mostTurns: null,
  then: { to: 'safety_net' },
  turn: { lastUserId: null, credit: {} },
  safetyNet: { userId: '99', name: 'Ines Kolar' },
  members,
  ...more,
});
const rung = (position: number, tree: Tree, rosterId = '1'): Rung => ({
  id: String(position),
  position,
  tree,
  rosterId,
  campaignId: null,
  tags: [],
  lender: null,
  notify: [],
});
const lead = (more: Partial<LeadFacts> = {}): LeadFacts => ({
  ...leadOf('7', { roles: ['buyer'] }, 'Harbor Portal', false),
  ...more,
});
const roles = (...of: string[]): Tree => ({ on: 'lead_role', how: 'any', of });

describe('who is next', () => {
  test('round robin: whoever is here gets within one of each other, whoever is away gets nothing', () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: 1, maxLength: 12 }), fc.integer({ min: 1, max: 80 }), (away, leads) => {
        const roster = rosterOf(away.map((gone, at) => member(at, { awayUntil: gone ? new Date(NOW.getTime() + 1000) : null })));
        const handed = new Map<string, number>();
        for (let n = 0; n < leads; n += 1) {
          const { step, turn } = nextRoutingStep(roster, startIn('1'), NOW);
          const userId = (step as { userId: string }).userId;
          handed.set(userId, (handed.get(userId) ?? 0) + 1);
          roster.turn = turn ?? roster.turn;
        }
        const here = away.flatMap((gone, at) => (gone ? [] : [handed.get(String(at)) ?? 0]));
        if (!here.length) expect(handed.get('99')).toBe(leads);
        else {
          expect(Math.max(...here) - Math.min(...here)).toBeLessThanOrEqual(1);
          expect(here.reduce((sum, n) => sum + n, 0)).toBe(leads);
        }
      }),
    );
  });

  test('weighted: of any 100 leads in a row each agent has their share, within one', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 50 }), { minLength: 1, maxLength: 9 }), (weights) => {
        const roster = rosterOf(
          weights.map((weight, at) => member(at, { weight })),
          'weighted',
        );
        const given: string[] = [];
        for (let n = 0; n < 350; n += 1) {
          const { member: next, turn } = nextInTurn(roster, roster.members);
          given.push(next.userId);
          roster.turn = turn;
        }
        const sum = weights.reduce((total, weight) => total + weight, 0);
        for (let from = 0; from + 100 <= given.length; from += 1)
          weights.forEach((weight, at) => {
            const had = given.slice(from, from + 100).filter((id) => id === String(at)).length;
            expect(Math.abs(had - (100 * weight) / sum)).toBeLessThanOrEqual(1);
          });
      }),
      { numRuns: 40 },
    );
  });

  test('weighted: who was away does not come back to a heap of leads', () => {
    const roster = rosterOf([member(0), member(1)], 'weighted');
    const hand = (may: Member[]) => {
      const { member: next, turn } = nextInTurn(roster, may);
      roster.turn = turn;
      return next.userId;
    };
    for (let n = 0; n < 50; n += 1) expect(hand([roster.members[0]!])).toBe('0');
    const after = Array.from({ length: 10 }, () => hand(roster.members));
    expect(after.filter((id) => id === '1')).toHaveLength(5);
  });

  test('shares in hundredths add up to 100', () => {
    expect(hundredths([1, 1, 1])).toEqual([34, 33, 33]);
    expect(hundredths([3, 1])).toEqual([75, 25]);
  });

  test.each<[string, Partial<Member>, string | null]>([
    ['here', {}, null],
    ['left', { active: false }, 'left'],
    ['away', { awayUntil: new Date(NOW.getTime() + 1) }, 'away'],
    ['back since just now', { awayUntil: NOW }, null],
    ['paused', { paused: true }, 'paused'],
    ['at ten in the morning of a Monday', { hours: [{ days: [1], from: '09:00', to: '17:00' }] }, null],
    ['Tuesdays only', { hours: [{ days: [2], from: '09:00', to: '17:00' }] }, 'off_hours'],
    ['past midnight', { hours: [{ days: [7], from: '22:00', to: '11:00' }] }, null],
    [
      'in their own zone it is noon',
      { hours: [{ days: [1], from: '09:00', to: '11:00' }], timeZone: 'America/Denver' },
      'off_hours',
    ],
    ['the day is full', { dailyCap: 3, today: 3 }, 'daily_cap'],
    ['too many open', { openCap: 5, open: 6 }, 'open_cap'],
    ['room', { dailyCap: 3, today: 2, openCap: 5, open: 4 }, null],
  ])('may have one: %s', (_, more, why) => expect(skipOf(member(1, more), NOW)).toBe(why));

  test('hours hold through the change of clocks: 02:30 does not exist in spring and 01:30 comes twice in autumn', () => {
    const early = member(1, { hours: [{ days: [7], from: '01:00', to: '04:00' }] });
    const at = (iso: string) => skipOf(early, new Date(iso));
    expect([at('2026-03-08T09:30:00Z'), at('2026-03-08T10:30:00Z'), at('2026-03-08T11:30:00Z')]).toEqual([
      null,
      null,
      'off_hours',
    ]);
    expect([at('2026-11-01T08:30:00Z'), at('2026-11-01T09:30:00Z'), at('2026-11-01T12:30:00Z')]).toEqual([
      null,
      null,
      'off_hours',
    ]);
  });

  test('those passed over stand in words', () => {
    expect(
      skippedWords([
        { name: 'Abel', why: 'away' },
        { name: 'Brisa', why: 'away' },
        { name: 'Caspian', why: 'daily_cap' },
      ]),
    ).toBe('Abel and Brisa are away and Caspian reached the daily limit');
  });
});

/** Follows a lead for which nobody ever accepts or tries, over rosters that may change meanwhile. */
function walkedOut(rosters: Roster[], start: string): { steps: RoutingStep[]; seconds: number } {
  const steps: RoutingStep[] = [];
  let [passing, seconds]: [RoutingState, number] = [startIn(start), 0];
  for (let n = 0; n < 10_000; n += 1) {
    const roster = rosters.find(({ id }) => id === passing.rosterId)!;
    const stepped = nextRoutingStep(roster, passing, new Date(NOW.getTime() + seconds * 1000));
    passing = stepped.passing;
    roster.turn = stepped.turn ?? roster.turn;
    steps.push(stepped.step);
    if (stepped.step.do === 'safety_net') return { steps, seconds };
    if (stepped.step.do === 'give' && stepped.step.seconds === null) return { steps, seconds };
    seconds += 'seconds' in stepped.step ? (stepped.step.seconds ?? 0) : 0;
  }
  throw new Error('never ends');
}

describe('the way of a lead', () => {
  const handOut = fc.constantFrom<HandOut>('round_robin', 'weighted', 'open', 'turns');
  const oneMember = fc.record({
    paused: fc.boolean(),
    active: fc.boolean(),
    weight: fc.integer({ min: 1, max: 9 }),
    away: fc.boolean(),
  });
  const someRosters = fc.array(
    fc.record({
      handOut,
      windowSeconds: fc.integer({ min: 5, max: 900 }),
      trySeconds: fc.option(fc.integer({ min: 30, max: 3600 })),
      mostTurns: fc.option(fc.integer({ min: 1, max: 4 })),
      members: fc.array(oneMember, { maxLength: 5 }),
      then: fc.constantFrom('safety_net', 'commons', 'roster'),
      next: fc.nat(),
    }),
    { minLength: 1, maxLength: 5 },
  );

  test('it ends with a named person within the sum of its windows, whatever the rosters and whoever is away, circles included', () => {
    fc.assert(
      fc.property(someRosters, (drawn) => {
        const rosters = drawn.map((one, at) =>
          rosterOf(
            one.members.map((each, n) => member(n, { ...each, awayUntil: each.away ? new Date(NOW.getTime() + 60_000) : null })),
            one.handOut,
            {
              id: String(at),
              windowSeconds: one.windowSeconds,
              trySeconds: one.trySeconds,
              mostTurns: one.mostTurns,
              then:
                one.then === 'roster'
                  ? { to: 'roster', rosterId: String(one.next % drawn.length) }
                  : one.then === 'commons'
                    ? { to: 'commons', seconds: 120 }
                    : { to: 'safety_net' },
            },
          ),
        );
        const { steps, seconds } = walkedOut(rosters, '0');
        expect(['safety_net', 'give']).toContain(steps.at(-1)!.do);
        const ways = rosters.map((roster) => ({ ...roster, size: roster.members.length }));
        expect(seconds).toBeLessThanOrEqual(longestWay(ways[0]!, ways).settled);
      }),
    );
  });

  test('timed turns: one after the other, nobody twice, then the safety net with its reason', () => {
    const { steps } = walkedOut([rosterOf([member(0), member(1, { paused: true }), member(2)], 'turns')], '1');
    expect(steps.map((step) => ('to' in step ? step.to.map(({ userId }) => userId) : step.do))).toEqual([
      ['0'],
      ['2'],
      'safety_net',
    ]);
    expect(steps.at(-1)).toMatchObject({ cause: 'nobody_claimed', userId: '99' });
  });

  test('open claim: to all at once, then the commons, then the safety net; only so many turns when it says so', () => {
    const open = rosterOf([member(0), member(1)], 'open', { then: { to: 'commons', seconds: 300 } });
    expect(walkedOut([open], '1').steps.map((step) => step.do)).toEqual(['offer', 'commons', 'safety_net']);
    const short = rosterOf([member(0), member(1), member(2)], 'turns', { mostTurns: 2 });
    expect(walkedOut([short], '1').steps.map((step) => step.do)).toEqual(['offer', 'offer', 'safety_net']);
  });

  test('a roster that was emptied while an offer was out, and one where everybody is off, end with the safety net and say why', () => {
    const roster = rosterOf([member(0)], 'turns');
    const { passing } = nextRoutingStep(roster, startIn('1'), NOW);
    expect(nextRoutingStep({ ...roster, members: [] }, passing, NOW).step).toMatchObject({
      do: 'safety_net',
      cause: 'roster_empty',
    });
    expect(nextRoutingStep(rosterOf([member(0, { paused: true })]), startIn('1'), NOW).step).toMatchObject({ cause: 'all_away' });
  });

  test('circles are found and named, and how long a lead may take at most is known', () => {
    const at = (id: string, to?: string): Roster =>
      rosterOf([member(0), member(1)], 'turns', {
        id,
        name: `R${id}`,
        then: to ? { to: 'roster', rosterId: to } : { to: 'safety_net' },
      });
    expect(circleOf([at('1', '2'), at('2', '3'), at('3', '2')])).toEqual(['R2', 'R3', 'R2']);
    expect(circleOf([at('1', '1')])).toEqual(['R1', 'R1']);
    expect(circleOf([at('1', '2'), at('2')])).toBeNull();
    const ways = [at('1', '2'), at('2')].map((roster) => ({ ...roster, size: 2 }));
    expect(longestWay(ways[0]!, ways)).toEqual({ owned: 240, settled: 240 });
  });
});

describe('the ladder', () => {
  const ladder = (...trees: Tree[]) =>
    readyLadder({ rungs: trees.map((tree, at) => rung(at + 1, tree)), ownListing: false }, ZONE);
  const fits = (tree: Tree, facts: LeadFacts, at = NOW, person?: Known) =>
    decide(ladder(tree), knownOfLead(facts, person), at).rung !== null;

  test('the first rung that fits decides, and each above says which part was not met', () => {
    const read = ladder(
      { all: [roles('buyer'), { on: 'lead_price', how: 'between', from: 900_000 }] },
      { all: [roles('seller')] },
      { all: [] },
    );
    const { rung: found, unmet } = decide(read, knownOfLead(lead({ price: 400_000 })), NOW);
    expect([found!.id, unmet]).toEqual(['3', [1, 0]]);
    expect(decide(ladder(roles('seller')), knownOfLead(lead()), NOW)).toEqual({ rung: null, unmet: [0] });
  });

  test.each<[string, Tree, Partial<LeadFacts>, boolean]>([
    ['door', { on: 'lead_door', how: 'any', of: ['7'] }, {}, true],
    ['another door', { on: 'lead_door', how: 'none', of: ['7'] }, {}, false],
    ['source in any letters', { on: 'lead_source', how: 'any', of: ['harbor portal'] }, {}, true],
    ['town', { on: 'lead_town', how: 'any', of: ['Saltmarsh', 'Tarn Hollow'] }, { town: 'saltmarsh' }, true],
    ['ZIP code unknown', { on: 'lead_postal', how: 'known' }, {}, false],
    ['price', { on: 'lead_price', how: 'between', from: 300_000, to: 500_000 }, { price: 500_000 }, true],
    ['price unknown', { on: 'lead_price', how: 'between', from: null, to: 500_000 }, {}, false],
    ['kind', { on: 'lead_kind', how: 'any', of: ['Condominium'] }, { kind: 'condominium' }, true],
    ['listing', { on: 'lead_listing', how: 'contains', text: 'LC-261' }, { listing: 'LC-26107 563 Driftwood Way' }, true],
    ['phone', { on: 'lead_has_phone', how: 'yes' }, { hasPhone: false }, false],
    ['language', { on: 'lead_language', how: 'any', of: ['es'] }, { language: 'ES' }, true],
    ['known before', { on: 'lead_returning', how: 'yes' }, { returning: true }, true],
    ['Monday at ten', { on: 'lead_hour', how: 'at', days: [1], from: '10:00', to: '10:01' }, {}, true],
    ['Sunday', { on: 'lead_hour', how: 'at', days: [7], from: '00:00', to: '23:59' }, {}, false],
  ])('asks about %s', (_, tree, facts, answer) => expect(fits(tree, lead(facts))).toBe(answer));

  test('a drawn area holds what lies in it, by its edges, also one with a bay', () => {
    const bay = [
      [0, 0],
      [4, 0],
      [4, 4],
      [2, 1],
      [0, 4],
    ];
    const inside = (point: number[]) => fits({ on: 'lead_point', how: 'inside', ring: bay, name: 'the bay' }, lead({ point }));
    expect([inside([1, 1]), inside([2, 0.5]), inside([2, 3]), inside([5, 1])]).toEqual([true, true, false, false]);
    expect(fits({ on: 'lead_point', how: 'inside', ring: bay, name: '' }, lead({ point: null }))).toBe(false);
    expect(fits({ on: 'lead_point', how: 'outside', ring: bay, name: '' }, lead({ point: [5, 1] }))).toBe(true);
  });

  test('asks about the person too, and says that the person must be read', () => {
    const tree: Tree = { all: [{ on: 'tag', how: 'any', of: ['12'] }] };
    expect(ladder(tree).asksPerson).toBe(true);
    expect(ladder({ all: [roles('buyer')] }).asksPerson).toBe(false);
    expect(fits(tree, lead(), NOW, (subject) => (subject === 'tag' ? ['12'] : null))).toBe(true);
    expect(fits(tree, lead())).toBe(false);
  });

  test('its conditions are read from outside as strictly as a segment, and only a ladder may ask about an inquiry', () => {
    const hour = { on: 'lead_hour', how: 'at', days: [1, 2], from: '09:00', to: '18:00' };
    expect(readTree({ all: [hour] }, [], 'lead')).toEqual({ all: [hour] });
    expect(() => readTree(hour)).toThrow('Can’t read');
    for (const wrong of [
      { ...hour, from: '9' },
      { ...hour, days: [8] },
      { on: 'lead_hour', how: 'at', days: [1], from: 3, to: 4 },
      { on: 'lead_point', how: 'inside', ring: [[300, 0]], name: '' },
      { on: 'lead_price', how: 'any', of: ['1'] },
    ])
      expect(() => readTree(wrong, [], 'lead')).toThrow('Can’t read');
  });

  test('reads as a sentence', () => {
    const name = (_: string, value: string) => ({ 7: 'Harbor mailbox' })[value] ?? null;
    expect(
      segmentSentence(
        {
          all: [
            roles('buyer', 'renter'),
            { on: 'lead_door', how: 'any', of: ['7'] },
            { on: 'lead_town', how: 'any', of: ['Saltmarsh'] },
            { on: 'lead_price', how: 'between', from: 400_000, to: null },
            { on: 'lead_hour', how: 'at', days: [1, 2, 3, 4, 5], from: '09:00', to: '18:00' },
          ],
        },
        name,
      ),
    ).toBe(
      'Buyers and renters by Harbor mailbox, about Saltmarsh, with a price of $400,000 or more, coming on weekdays between 9 AM and 6 PM',
    );
  });

  test('rungs that nothing can reach are found by logic', () => {
    const price = (from: number | null, to: number | null): Tree => ({ on: 'lead_price', how: 'between', from, to });
    const shadows = (...trees: Tree[]) =>
      shadowedRungs(trees.map((tree, at) => rung(at + 1, tree))).map(({ id, by }) => `${id}<${by}`);
    expect(shadows({ all: [] }, { all: [roles('buyer')] })).toEqual(['2<1']);
    expect(shadows({ all: [roles('buyer', 'renter')] }, { all: [roles('buyer'), price(1, 2)] })).toEqual(['2<1']);
    expect(shadows({ all: [price(100, null)] }, { all: [price(200, 300)] })).toEqual(['2<1']);
    expect(shadows({ all: [price(200, 300)] }, { all: [price(100, null)] })).toEqual([]);
    expect(shadows({ all: [{ any: [roles('seller'), price(100, null)] }] }, { all: [price(150, 160)] })).toEqual(['2<1']);
    expect(shadows({ all: [{ on: 'lead_has_phone', how: 'yes' }] }, { all: [{ on: 'lead_has_phone', how: 'no' }] })).toEqual([]);
  });

  test('a rung said to be out of reach is reached by no lead', () => {
    const condition = fc.oneof(
      fc.subarray(['buyer', 'seller', 'renter']).map((of): Tree => ({ on: 'lead_role', how: 'any', of })),
      fc
        .tuple(fc.integer({ min: 0, max: 9 }), fc.integer({ min: 0, max: 9 }))
        .map(([from, to]): Tree => ({ on: 'lead_price', how: 'between', from, to })),
      fc.constantFrom<Tree>(
        { on: 'lead_has_phone', how: 'yes' },
        { on: 'lead_has_phone', how: 'no' },
        { on: 'lead_price', how: 'known' },
      ),
    );
    const tree = fc.array(condition, { maxLength: 3 }).map((all): Tree => ({ all }));
    const facts = fc.record({
      roles: fc.subarray(['buyer', 'seller', 'renter'] as const),
      price: fc.option(fc.integer({ min: 0, max: 9 })),
      hasPhone: fc.boolean(),
    });
    fc.assert(
      fc.property(
        fc.array(tree, { minLength: 2, maxLength: 4 }),
        fc.array(facts, { minLength: 8, maxLength: 8 }),
        (trees, leads) => {
          const rungs = trees.map((one, at) => rung(at + 1, one));
          const dead = shadowedRungs(rungs).map(({ id }) => id);
          for (const one of leads)
            expect(dead).not.toContain(
              decide(readyLadder({ rungs, ownListing: false }, ZONE), knownOfLead(lead(one)), NOW).rung?.id,
            );
        },
      ),
      { numRuns: 300 },
    );
  });
});

describe('a rehearsal', () => {
  const past = (n: number, facts: Partial<LeadFacts> = {}, more: Partial<PastInquiry> = {}): PastInquiry => ({
    id: String(n),
    at: new Date(NOW.getTime() + n * 60_000),
    known: knownOfLead(lead(facts)),
    fixedTo: null,
    agentId: '0',
    rungId: '1',
    ...more,
  });
  const rehearsal = (roster: Roster, habits: [string, number[]][] = []) =>
    new RoutingRehearsal(
      readyLadder({ rungs: [rung(1, { all: [roles('buyer')] })], ownListing: false }, ZONE),
      new Map([[roster.id, roster]]),
      '99',
      new Map(habits),
      ZONE,
    );

  test('hands out as the roster would, with its daily cap, and leaves the roster as it was', () => {
    const roster = rosterOf([member(0, { dailyCap: 2 }), member(1)]);
    const before = JSON.stringify(roster);
    const run = rehearsal(roster);
    const got = Array.from({ length: 10 }, (_, n) => run.take(past(n)).agentId);
    expect(got.filter((id) => id === '0')).toHaveLength(2);
    expect(JSON.stringify(roster)).toBe(before);
  });

  test('offers are answered as people answered before; who never does lets the window end', () => {
    const roster = rosterOf([member(0), member(1)], 'turns', { windowSeconds: 60 });
    const run = rehearsal(roster, [
      ['0', [Infinity]],
      ['1', [20]],
    ]);
    expect(run.take(past(0))).toMatchObject({ agentId: '1', seconds: 80, net: null });
    expect(
      rehearsal(roster, [
        ['0', [Infinity]],
        ['1', [Infinity]],
      ]).take(past(0)),
    ).toMatchObject({ agentId: '99', net: 'nobody_claimed' });
  });

  test('two ladders over the same leads: who is with another, what fell, how even; whoever had somebody before any rung is left out', () => {
    const roster = rosterOf([member(0), member(1)]);
    const [asIs, changed] = [rehearsal(roster), rehearsal({ ...roster, members: [member(0, { paused: true }), member(1)] })];
    const tally = new Tally();
    const all = [
      past(0),
      past(1),
      past(2, { roles: ['vendor'] }, { rungId: null, agentId: '99' }),
      past(3, {}, { fixedTo: '1' }),
    ];
    for (const one of all) tally.add(one, asIs.take(one), changed.take(one));
    expect(tally.result([roster])).toMatchObject({
      inquiries: 4,
      asked: 3,
      moved: 1,
      rungs: [{ id: '1', really: 2, before: 2, after: 2 }],
      agents: [
        { id: '0', really: 2, before: 1, after: 0 },
        { id: '1', really: 0, before: 1, after: 2 },
        { id: '99', really: 1, before: 1, after: 1 },
      ],
      fell: { before: 1, after: 1 },
      net: { before: 1, after: 1 },
      moves: [{ from: '0', to: '1', n: 1 }],
      fairness: [{ rosterId: '1', before: 0, after: 1 }],
      seconds: { before: { median: 0, late: 0 }, after: { median: 0, late: 0 } },
    });
  });

  test('an unchanged ladder moves nobody, also where answers are drawn', () => {
    const roster = rosterOf([member(0), member(1), member(2)], 'open', { windowSeconds: 90 });
    const [asIs, same] = [rehearsal(roster), rehearsal(roster)];
    for (let n = 0; n < 200; n += 1) expect(same.take(past(n))).toEqual(asIs.take(past(n)));
  });

  test('unevenness is measured against the share due', () => {
    const roster = rosterOf([member(0, { weight: 3 }), member(1, { weight: 1 })], 'weighted');
    expect(unevenness(roster, (id) => (id === '0' ? 75 : 25))).toBe(0);
    expect(unevenness(roster, () => 50)).toBe(25);
  });
});

test.each<[string, ReturnType<typeof answerOf>]>([
  ['1', { answer: 'take', number: null }],
  ['Yes please', { answer: 'take', number: null }],
  ['  take\n\n> 1 to take it', { answer: 'take', number: null }],
  ['1 4711', { answer: 'take', number: '4711' }],
  ['take #4711', { answer: 'take', number: '4711' }],
  ['0 (no. 12)', { answer: 'pass', number: '12' }],
  ['No.', { answer: 'pass', number: null }],
  ['> 1', { answer: null, number: null }],
  ['12 Heron Lane?', { answer: null, number: null }],
  ['', { answer: null, number: null }],
])('an answer to an offer: %j', (body, answer) => expect(answerOf(body)).toEqual(answer));

test('each step of a way is a sentence', () => {
  const at = NOW.toISOString();
  expect([
    sentenceOfStep({
      at,
      what: 'offered',
      roster: 'Coast',
      how: 'timed turns',
      to: ['Abel'],
      seconds: 300,
      skipped: [{ name: 'Brisa', why: 'off_hours' }],
    }),
    sentenceOfStep({ at, what: 'lapsed', to: ['Abel'] }),
    sentenceOfStep({ at, what: 'accepted', agent: 'Caspian', by: 'text', after: 42, of: 3 }),
    sentenceOfStep({ at, what: 'safety_net', agent: 'Ines', roster: 'Coast', cause: 'nobody_claimed', skipped: [] }),
    sentenceOfStep({ at, what: 'untried', agent: 'Abel', seconds: 3_600 }),
  ]).toEqual([
    'Coast, timed turns: offered to Abel for 5 min; Brisa is off right now.',
    'Time ran out: Abel didn’t answer.',
    'Caspian accepted by text after 42 sec, the first of 3.',
    'No one on Coast accepted in time, so it goes to the safety net: Ines.',
    'Abel didn’t attempt it within 1 hr.',
  ]);
});

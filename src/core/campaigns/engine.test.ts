import { DEFAULT_SETTINGS } from '../accounts';
import fc from 'fast-check';
import { localMinutes } from '../shared';
import {
  daysOf,
  decideTouch,
  firstDue,
  NEW_BUYER,
  NO_PLAN,
  programOf,
  type RunningCampaign,
  type Plan,
  type Step,
  type TouchedContact,
} from '.';

const campaignOf = (plan: Plan): RunningCampaign => ({
  id: '1',
  name: 'New buyer',
  plan,
  program: programOf(plan),
  days: daysOf(plan.steps),
});
const CAMPAIGN = campaignOf(NEW_BUYER.plan);
const YES = { state: 'granted', at: null, how: null } as const;
const contact = (more: Partial<TouchedContact> = {}): TouchedContact => ({
  id: '7',
  ownerId: '2',
  stage: 'new',
  timeZone: 'America/Los_Angeles',
  doNotContact: false,
  onThePhone: false,
  phone: '+15645550123',
  phoneError: null,
  email: 'oda@brandvold.example',
  emailError: null,
  mailingAddress: '14 Heron Lane, Saltmarsh 98741',
  permissions: { text: YES, email: YES, call: YES },
  fields: {
    first_name: 'Oda',
    last_name: 'Brandvold',
    city: 'Saltmarsh',
    agent_first_name: 'Asta',
    agent_name: 'Asta Lund',
    agent_phone: '(360) 555-0110',
    brokerage: 'Tern & Tiller',
  },
  touched: [],
  textedBefore: true,
  householdSaysNo: false,
  registry: { registered: false, inquiredAt: null },
  dates: {},
  answeredAt: null,
  openedAt: null,
  meets: () => false,
  ...more,
});

/** Runs a whole campaign, each step at the instant it asked for; what is sent counts for the caps. */
function walk(startedAt: Date, who: TouchedContact, campaign = CAMPAIGN, most = 60): { at: Date; did: string }[] {
  const story: { at: Date; did: string }[] = [];
  const first = firstDue(campaign, startedAt, who.timeZone, who.dates);
  if (!first) return story;
  let state = { id: '9', step: first.step, round: 0, startedAt, lastAt: null as Date | null, hasWaited: false };
  let at = first.at;
  let touched = [...who.touched];
  for (let turns = 0; turns < 400 && story.length < most; turns += 1) {
    const now = at;
    const { effects, next } = decideTouch(campaign, state, { ...who, touched }, DEFAULT_SETTINGS, now);
    for (const effect of effects) {
      const did =
        effect.do === 'send'
          ? effect.channel
          : effect.do === 'tell'
            ? `${effect.kind} ${effect.channel}`
            : effect.do === 'change'
              ? `change ${effect.change.set}`
              : 'task';
      story.push({ at: now, did });
      if (effect.do === 'send') touched = [...touched, { at: now, channel: effect.channel }];
    }
    if (next.state === 'finished') return story;
    state = { ...state, step: next.step, round: next.round, lastAt: next.lastAt, hasWaited: next.waiting };
    at = next.dueAt;
  }
  return story;
}
const told = (story: { at: Date; did: string }[]) => story.map(({ at, did }) => `${did} ${at.toISOString()}`);
const touch = (id: number, when: Step['when'], channel: 'text' | 'email' | 'call' | 'letter' = 'email'): Step => ({
  id,
  when,
  do: 'touch',
  channel,
  words: { subject: 'x', text: 'Hello', plain: 'Hello' },
});

test('the starter over a clock change: nine o’clock stays nine o’clock', () => {
  expect(told(walk(new Date('2026-10-29T17:00:00Z'), contact()))).toEqual([
    'text 2026-10-29T17:00:00.000Z',
    'email 2026-10-30T16:00:00.000Z',
    'task 2026-10-31T17:00:00.000Z',
    'letter 2026-11-03T17:00:00.000Z',
  ]);
});

test('from any start in any zone: four touches in their order, each once, none before its day', () => {
  fc.assert(
    fc.property(
      fc.date({ min: new Date('2026-01-02'), max: new Date('2027-12-31'), noInvalidDate: true }),
      fc.constantFrom('America/Los_Angeles', 'America/New_York', 'Asia/Kathmandu', 'Australia/Lord_Howe'),
      (startedAt, timeZone) => {
        const story = walk(startedAt, contact({ timeZone }));
        expect(story.filter(({ did }) => !did.startsWith('waits')).map(({ did }) => did)).toEqual([
          'text',
          'email',
          'task',
          'letter',
        ]);
        for (const { at, did } of story.filter(({ did: one }) => one === 'text' || one === 'email')) {
          expect([did, localMinutes(at, timeZone) >= 480 && localMinutes(at, timeZone) < 1_260]).toEqual([did, true]);
        }
        story.forEach(({ at }, place) =>
          expect(at.getTime()).toBeGreaterThanOrEqual((story[place - 1]?.at ?? startedAt).getTime()),
        );
      },
    ),
  );
});

test('a touch that may not go is passed over with its reason and the campaign goes on', () => {
  const story = walk(new Date('2026-11-23T18:00:00Z'), contact({ phone: null, mailingAddress: null }));
  expect(story.map(({ did }) => did)).toEqual(['held text', 'email', 'held call', 'held letter']);
});

test('a missing name or town takes the plain version, with no hole in it', () => {
  const { effects } = decideTouch(
    CAMPAIGN,
    { id: '9', step: 0, round: 0, startedAt: new Date('2026-11-23T18:00:00Z'), lastAt: null, hasWaited: false },
    contact({ fields: { ...contact().fields, first_name: '' } }),
    DEFAULT_SETTINGS,
    new Date('2026-11-23T18:00:00Z'),
  );
  expect(effects[0]).toMatchObject({
    do: 'send',
    usedPlain: true,
    key: 'e9-s0',
    text: expect.stringMatching(/^Hi, it.s Asta with Tern & Tiller/),
  });
});

test('the day of a touch counts from the enrollment', () =>
  expect([...daysOf(NEW_BUYER.plan.steps).values()]).toEqual([0, 1, 2, 5]));

test('it ends for whoever none of its ways reaches, and goes on where it is told to', () => {
  const from = new Date('2026-11-23T18:00:00Z');
  const nobody = contact({ phone: null, email: null, mailingAddress: null });
  expect(walk(from, nobody).map(({ did }) => did)).toEqual(['held text']);
  const on: Plan = { ...NEW_BUYER.plan, ends: { ...NEW_BUYER.plan.ends, unreachable: 'on' } };
  expect(walk(from, nobody, campaignOf(on)).map(({ did }) => did)).toEqual([
    'held text',
    'held email',
    'held call',
    'held letter',
  ]);
});

test('a plan of nothing but dates that are not known, for ever, holds nobody up', () => {
  const plan: Plan = {
    ...NO_PLAN,
    steps: [touch(0, { date: 'birthday', days: 0, at: '09:00' })],
    repeat: { days: 1, times: null },
  };
  const now = new Date('2026-11-23T18:00:00Z');
  const state = { id: '9', step: 0, round: 0, startedAt: now, lastAt: null, hasWaited: false };
  const { effects, next } = decideTouch(campaignOf(plan), state, contact(), DEFAULT_SETTINGS, now);
  expect(effects).toEqual([]);
  expect(next).toMatchObject({ state: 'active', dueAt: new Date('2026-11-24T18:00:00Z') });
});

describe('ways part', () => {
  const plan: Plan = {
    ...NO_PLAN,
    steps: [
      { id: 0, when: { after: 'start', minutes: 0 }, do: 'change', change: { set: 'horizon', horizon: 'warm' } },
      {
        id: 1,
        when: { after: 'start', minutes: 0 },
        do: 'branch',
        ask: { about: 'has_phone' },
        yes: [touch(2, { after: 'start', minutes: 60 }, 'text')],
        no: [touch(3, { after: 'start', minutes: 60 })],
      },
      touch(4, { after: 'last', days: 3, at: '10:00' }, 'letter'),
    ],
  };
  const from = new Date('2026-11-23T18:00:00Z');
  test('one way is walked, the other is not, and both go on behind it', () => {
    expect(told(walk(from, contact(), campaignOf(plan)))).toEqual([
      'change horizon 2026-11-23T18:00:00.000Z',
      'text 2026-11-23T19:00:00.000Z',
      'letter 2026-11-26T18:00:00.000Z',
    ]);
    expect(walk(from, contact({ phone: null }), campaignOf(plan)).map(({ did }) => did)).toEqual([
      'change horizon',
      'email',
      'letter',
    ]);
  });
  test('by an answer since the beginning, and by any condition', () => {
    const asking = (ask: Extract<Step, { do: 'branch' }>['ask']): RunningCampaign =>
      campaignOf({ ...plan, steps: plan.steps.map((step) => (step.do === 'branch' ? { ...step, ask } : step)) });
    const way = (campaign: RunningCampaign, who: TouchedContact) => walk(from, who, campaign).map(({ did }) => did)[1];
    expect(way(asking({ about: 'answered' }), contact({ answeredAt: new Date('2026-11-22T18:00:00Z') }))).toBe('email');
    expect(way(asking({ about: 'answered' }), contact({ answeredAt: from }))).toBe('text');
    const tree = { on: 'town', how: 'any', of: ['Saltmarsh'] } as const;
    expect(way(asking({ about: 'segment', tree: { ...tree, of: [...tree.of] } }), contact({ meets: () => true }))).toBe('text');
  });
});

describe('when', () => {
  const from = new Date('2026-11-23T18:00:00Z');
  const once = (step: Step, who = contact()) => told(walk(from, who, campaignOf({ ...NO_PLAN, steps: [step] })));
  test('moved on to a weekday', () =>
    expect(once(touch(0, { after: 'start', days: 1, at: '10:00', on: [5] }))).toEqual(['email 2026-11-27T18:00:00.000Z']));
  test('before a date of the person, this year or the next; passed over for whoever has none', () => {
    const birthday = touch(0, { date: 'birthday', days: -7, at: '09:00' }, 'letter');
    expect(once(birthday, contact({ dates: { birthday: [1215] } }))).toEqual(['letter 2026-12-08T17:00:00.000Z']);
    expect(once(birthday, contact({ dates: { birthday: [1124] } }))).toEqual(['letter 2027-11-17T17:00:00.000Z']);
    expect(once(birthday, contact({ dates: { birthday: [229] } }))).toEqual(['letter 2027-02-21T17:00:00.000Z']);
    expect(once(birthday)).toEqual([]);
  });
  test('again every thirty days, three times', () => {
    const plan = { ...NO_PLAN, steps: [touch(0, { after: 'start', days: 0, at: '10:00' })], repeat: { days: 30, times: 3 } };
    expect(told(walk(from, contact(), campaignOf(plan)))).toEqual([
      'email 2026-11-23T18:00:00.000Z',
      'email 2026-12-23T18:00:00.000Z',
      'email 2027-01-22T18:00:00.000Z',
    ]);
  });
});

describe('pace', () => {
  const daily = (channel: 'text' | 'email', count: number): Plan => ({
    ...NO_PLAN,
    steps: Array.from({ length: count }, (_, id) => touch(id, { after: 'start', minutes: id * 5 }, channel)),
  });
  const from = new Date('2026-11-23T18:00:00Z');
  test('over any span no more goes than its cap, whatever the campaign says', () => {
    const story = walk(from, contact(), campaignOf(daily('email', 20)), 200).filter(({ did }) => did === 'email');
    expect(story).toHaveLength(20);
    for (const { days, most } of [
      { days: 1, most: DEFAULT_SETTINGS.capDay },
      { days: 7, most: DEFAULT_SETTINGS.capWeek },
      { days: 30, most: DEFAULT_SETTINGS.capMonth },
    ])
      story.forEach(({ at }, place) => {
        const within = story.slice(0, place + 1).filter((one) => one.at.getTime() > at.getTime() - days * 86_400_000);
        expect(within.length).toBeLessThanOrEqual(most);
      });
  });
  test('between two texts lie four hours', () => {
    const story = walk(from, contact(), campaignOf(daily('text', 2))).filter(({ did }) => did === 'text');
    expect(story[1]!.at.getTime() - story[0]!.at.getTime()).toBe(4 * 3_600_000);
  });
  test('a touch that is held lapses where the campaign says so', () => {
    const plan: Plan = { ...daily('email', 3), held: 'lapse' };
    expect(walk(from, contact(), campaignOf(plan)).map(({ did }) => did)).toEqual(['email', 'email', 'held email']);
  });
  test('nothing goes by itself on a holiday; the morning after it does', () => {
    const story = walk(new Date('2026-12-25T18:00:00Z'), contact(), campaignOf(daily('email', 1)));
    expect(told(story)).toEqual(['waits email 2026-12-25T18:00:00.000Z', 'email 2026-12-26T16:00:00.000Z']);
  });
});

test('people with whom somebody works are reached by campaigns for them only', () => {
  const plan: Plan = { ...NO_PLAN, steps: [touch(0, { after: 'start', minutes: 0 })] };
  const from = new Date('2026-11-23T18:00:00Z');
  const did = (one: Plan) => walk(from, contact({ stage: 'past_client' }), campaignOf(one)).map((line) => line.did);
  expect(did(plan)).toEqual(['held email']);
  expect(did({ ...plan, anyStage: true })).toEqual(['email']);
});

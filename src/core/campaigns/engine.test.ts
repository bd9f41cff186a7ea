import fc from 'fast-check';
import { dayOf, decideTouch, DEFAULT_GUARDRAILS, NEW_BUYER, plannedAt, type Campaign, type TouchedContact } from '.';

const CAMPAIGN: Campaign = { id: '1', name: 'New buyer', state: 'on', touches: NEW_BUYER.touches };
const YES = { state: 'granted', at: null, how: null } as const;
const contact = (more: Partial<TouchedContact> = {}): TouchedContact => ({
  id: '7',
  ownerId: '2',
  stage: 'new',
  timeZone: 'America/Los_Angeles',
  doNotContact: false,
  onThePhone: false,
  phone: '+15645550123',
  phoneFault: null,
  email: 'oda@brandvold.example',
  emailFault: null,
  mailingAddress: '14 Heron Lane, Saltmarsh 98741',
  permissions: { text: YES, email: YES, call: YES },
  fields: {
    first_name: 'Oda',
    last_name: 'Brandvold',
    town: 'Saltmarsh',
    agent_first_name: 'Asta',
    agent_name: 'Asta Lund',
    agent_phone: '(360) 555-0110',
    brokerage: 'Tern & Tiller',
  },
  ...more,
});

/** Runs a whole campaign, each step at the instant it asked for. */
function walk(startedAt: Date, who: TouchedContact): { at: Date; did: string }[] {
  const story: { at: Date; did: string }[] = [];
  let step = 0;
  let waited = false;
  let at = plannedAt(CAMPAIGN.touches[0]!, startedAt, who.timeZone);
  for (let turns = 0; turns < 40; turns += 1) {
    const { effects, next } = decideTouch(CAMPAIGN, { id: '9', step, startedAt, hasWaited: waited }, who, DEFAULT_GUARDRAILS, at);
    for (const effect of effects)
      story.push({
        at,
        did: effect.do === 'send' ? effect.channel : effect.do === 'task' ? 'task' : `${effect.kind} ${effect.channel}`,
      });
    if (next.state === 'finished') return story;
    ({ step, dueAt: at, waiting: waited } = next);
  }
  throw new Error('the campaign never ended');
}

test('the starter over a clock change: nine o’clock stays nine o’clock', () => {
  const story = walk(new Date('2026-10-29T17:00:00Z'), contact());
  expect(story.map(({ at, did }) => `${did} ${at.toISOString()}`)).toEqual([
    'text 2026-10-29T17:00:00.000Z',
    'email 2026-10-30T16:00:00.000Z',
    'task 2026-10-31T17:00:00.000Z',
    'letter 2026-11-03T17:00:00.000Z',
  ]);
});

test('from any start in any zone: four touches in their order, each once, none before its day', () => {
  fc.assert(
    fc.property(
      fc.date({ min: new Date('2026-01-01'), max: new Date('2027-12-31'), noInvalidDate: true }),
      fc.constantFrom('America/Los_Angeles', 'America/New_York', 'Asia/Kathmandu', 'Australia/Lord_Howe'),
      (startedAt, timeZone) => {
        const story = walk(startedAt, contact({ timeZone }));
        expect(story.filter(({ did }) => !did.startsWith('waits')).map(({ did }) => did)).toEqual([
          'text',
          'email',
          'task',
          'letter',
        ]);
        expect(story.filter(({ did }) => did.startsWith('waits')).length).toBeLessThanOrEqual(1);
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
    { id: '9', step: 0, startedAt: new Date(), hasWaited: false },
    contact({ fields: { ...contact().fields, first_name: '' } }),
    DEFAULT_GUARDRAILS,
    new Date('2026-11-23T18:00:00Z'),
  );
  expect(effects[0]).toMatchObject({
    do: 'send',
    usedPlain: true,
    key: 'e9-s0',
    text: expect.stringMatching(/^Hello, this is Asta at Tern & Tiller/),
  });
});

test('the day of a touch counts from the enrolment', () => expect(NEW_BUYER.touches.map(dayOf)).toEqual([0, 1, 2, 5]));

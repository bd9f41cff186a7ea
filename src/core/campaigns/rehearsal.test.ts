import { DEFAULT_SETTINGS } from '../accounts';
import { readTree } from '../segments/schemas';
import {
  daysOf,
  planErrors,
  NO_PLAN,
  programOf,
  CampaignForecast,
  STARTERS,
  withoutWords,
  type RunningCampaign,
  type Plan,
  type TouchedContact,
} from '.';
import { planSchema } from './schemas';

const FROM = new Date('2026-11-23T18:00:00Z');
const campaignOf = (name: string, plan: Plan): RunningCampaign => ({
  id: name,
  name,
  plan,
  program: programOf(plan),
  days: daysOf(plan.steps),
});
const YES = { state: 'granted', at: null, how: null } as const;
const contact = (id: number, more: Partial<TouchedContact> = {}): TouchedContact => ({
  id: String(id),
  ownerId: '1',
  stage: 'new',
  timeZone: 'America/Los_Angeles',
  doNotContact: false,
  onThePhone: false,
  phone: '+15645550123',
  phoneError: null,
  email: 'p@people.example',
  emailError: null,
  mailingAddress: '14 Heron Lane, Saltmarsh 98741',
  permissions: { text: YES, email: YES, call: YES },
  fields: {},
  touched: [],
  textedBefore: true,
  householdSaysNo: false,
  registry: { registered: false, inquiredAt: null },
  dates: { birthday: [1205], closing: [601] },
  answeredAt: null,
  openedAt: null,
  meets: () => false,
  ...more,
});
const rehearsed = (plan: Plan, people: TouchedContact[], under: RunningCampaign[] = []) => {
  const rehearsal = new CampaignForecast(campaignOf('Rehearsed', plan), DEFAULT_SETTINGS, FROM, 365);
  for (const one of people)
    rehearsal.add({
      contact: one,
      agent: 'Asta Lund',
      under: under.map((campaign) => ({
        campaign,
        enrollment: { id: '1', step: 0, round: 0, startedAt: FROM, lastAt: null, hasWaited: false },
        dueAt: FROM,
      })),
    });
  return rehearsal.result();
};

describe.each(STARTERS.map((starter) => [starter.name, starter] as const))('the starter “%s”', (_, { plan }) => {
  test('can be kept and switched on as it comes', () => {
    expect(planSchema.validate(plan, { convert: false }).error).toBeUndefined();
    expect(planErrors(plan)).toEqual([]);
    if (plan.who) expect(readTree(plan.who)).toEqual(plan.who);
  });
  test('says in its first text who writes and how to stop', () => {
    const texts = plan.steps.flatMap((step) => (step.do === 'touch' && step.channel === 'text' ? [step.words] : []));
    for (const words of texts.slice(0, 1))
      for (const text of [words.text, words.plain]) expect(text).toMatch(/\{\{ brokerage \}\}[^]*STOP/);
  });
  test('touches somebody within a year, and keeps to the caps', () => {
    const forecast = rehearsed(withoutWords(plan), [contact(1, { stage: plan.anyStage ? 'past_client' : 'new' })]);
    expect(forecast.untouched).toBe(0);
    expect(forecast.held).toEqual({});
  });
});

const touch = (id: number, days: number, channel: 'text' | 'email' | 'letter' | 'call') =>
  ({ id, do: 'touch', channel, when: { after: 'start', days, at: '10:00' }, words: { text: '', plain: '' } }) as const;

test('counted by day and channel, held back and moved by their guardrail, letters, calls of an agent', () => {
  const plan: Plan = {
    ...NO_PLAN,
    steps: [touch(0, 0, 'text'), touch(1, 1, 'call'), touch(2, 32, 'email'), touch(3, 40, 'letter')],
  };
  const forecast = rehearsed(plan, [
    contact(1),
    contact(2, { permissions: {} }),
    contact(3, { phone: null, mailingAddress: null, email: null }),
  ]);
  expect(forecast).toMatchObject({
    people: 3,
    untouched: 1,
    days: [
      { day: 0, text: 1 },
      { day: 1, call: 2 },
      { day: 33, email: 2 },
      { day: 40, letter: 2 },
    ],
    held: { no_permission: 1, no_address: 1 },
    moved: { holiday: 2 },
    letters: 2,
    calls: [{ agent: 'Asta Lund', day: 1, calls: 2 }],
  });
});

test('other campaigns of a person count for the caps, and a day with both is a clash', () => {
  const daily: Plan = { ...NO_PLAN, steps: [touch(0, 0, 'email'), touch(1, 0, 'email'), touch(2, 9, 'email')] };
  const forecast = rehearsed(
    { ...NO_PLAN, steps: [touch(0, 0, 'email'), touch(1, 9, 'email')] },
    [contact(1)],
    [campaignOf('Other', daily)],
  );
  expect(forecast.moved).toEqual({ capped: 1 });
  expect(forecast.clashes).toEqual({ Other: 1 });
});

/** What short answers mean, and the way of a conversation. */
import {
  beginConversation,
  continueConversation,
  DEFAULT_QUESTIONS,
  horizonOf,
  TALK_ASKS,
  understandSum,
  understandTowns,
  understandWhen,
  understandYesNo,
  wantsHuman,
  type ConversationFlow,
} from '.';

const NOW = new Date('2026-11-27T18:00:00Z');
const TOWNS = ['Saltmarsh', 'Petrel Point', 'Tarn Hollow'];

test.each([
  ['ASAP', 'hot'],
  ['we are ready now', 'hot'],
  ['in 2 weeks', 'hot'],
  ['in about three months', 'warm'],
  ['2-3 months', 'warm'],
  ['Maybe in spring', 'nurture'],
  ['next summer', 'nurture'],
  ['by February', 'warm'],
  ['in May', 'nurture'],
  ['half a year or so', 'nurture'],
  ['a couple of months', 'warm'],
  ['next year', 'nurture'],
  ['in two years', 'someday'],
  ['no hurry', 'someday'],
  ['not right now', 'someday'],
  ['just looking', 'someday'],
])('“%s” is %s', (text, horizon) => {
  expect(horizonOf(understandWhen(text, NOW)!)).toBe(horizon);
});
test.each(['Who is this?', 'may I ask why', 'Heron Lane', 'ok', ''])('“%s” says nothing of a time', (text) => {
  expect(understandWhen(text, NOW)).toBeNull();
});

test.each([
  ['450k', null, 450_000],
  ['$450,000', null, 450_000],
  ['up to 500', null, 500_000],
  ['between 300 and 400', 300_000, 400_000],
  ['300 to 400k', 300_000, 400_000],
  ['at least 600 thousand', 600_000, null],
  ['half a million', null, 500_000],
  ['1.2 million', null, 1_200_000],
  ['1.2m max', null, 1_200_000],
])('“%s” is %s to %s', (text, min, max) => {
  expect(understandSum(text)).toEqual({ min, max });
});
test.each(['no idea', 'call 5', 'whatever it takes'])('“%s” names no sum', (text) => {
  expect(understandSum(text)).toBeNull();
});

test('yes, no, towns and a person are told apart from the rest', () => {
  for (const yes of ['Yes', 'yep, pre-approved', 'We have an agent', 'cash buyer', 'I do'])
    expect([yes, understandYesNo(yes)]).toEqual([yes, true]);
  for (const no of ['no', 'Not yet', 'nope', "we don't", 'haven’t spoken to one'])
    expect([no, understandYesNo(no)]).toEqual([no, false]);
  for (const other of ['maybe', 'what do you mean', '']) expect([other, understandYesNo(other)]).toEqual([other, null]);
  expect(understandTowns('petrel point or SALTMARSH!', TOWNS)).toEqual(['Saltmarsh', 'Petrel Point']);
  expect(understandTowns('the salt marsh area', TOWNS)).toEqual([]);
  for (const text of ['Can I speak with somebody', 'are you a robot?', 'I want a human', 'call me please'])
    expect([text, wantsHuman(text)]).toEqual([text, true]);
  for (const text of ['in three months', 'Saltmarsh', 'my agent is Bo']) expect([text, wantsHuman(text)]).toEqual([text, false]);
});

const FLOW: ConversationFlow = {
  agent: 'Asta',
  brokerage: 'Tern & Tiller Realty',
  questions: TALK_ASKS.map((asks) => ({ asks, words: DEFAULT_QUESTIONS[asks], fieldId: asks === 'financing' ? '7' : null })),
};

test('a whole conversation writes what was understood and ends with the agent', () => {
  const { progress: first, says } = beginConversation(FLOW);
  expect(says).toBe(
    "Hello, this is Asta's automatic assistant at Tern & Tiller Realty. A few quick questions so we can help. When are you hoping to move? Reply AGENT to reach a person or STOP to opt out.",
  );
  let progress = first;
  const writes: object[] = [];
  const replies: string[] = [];
  let state = 'open';
  for (const text of ['in spring maybe', 'Saltmarsh', 'up to 450', 'yes, preapproved', 'no']) {
    const next = continueConversation(FLOW, progress, text, { towns: TOWNS, now: NOW });
    ({ progress, state } = next);
    writes.push(...next.writes);
    replies.push(next.says!);
  }
  expect(state).toBe('done');
  expect(replies.every((text) => text.startsWith("Asta's assistant: "))).toBe(true);
  expect(replies.at(-1)).toContain('Asta will be in touch personally');
  expect(progress.answers).toEqual({
    when: 'in about 5 months',
    where: 'Saltmarsh',
    price: 'up to $450,000',
    financing: 'yes',
    agent: 'no',
  });
  expect(writes).toEqual([
    { write: 'horizon', horizon: 'nurture' },
    { write: 'areas', areas: ['Saltmarsh'] },
    { write: 'price', min: null, max: 450_000 },
    { write: 'field', fieldId: '7', value: 'yes' },
  ]);
});

test('what is not understood, and whoever asks for a person, goes to the agent at once', () => {
  const { progress } = beginConversation(FLOW);
  for (const text of ['Why do you ask?', 'AGENT', 'is this a robot?', 'my dog ate the phone']) {
    const { state, writes, says } = continueConversation(FLOW, progress, text, { towns: TOWNS, now: NOW });
    expect([text, state, writes]).toEqual([text, 'handed', []]);
    expect(says).toContain('personally');
  }
});

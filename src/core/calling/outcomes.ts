/** How a call ends, in the order of the keys that log it (1 to 7), and what the phone network alone can tell. */
export const OUTCOMES = [
  { key: 'talked', name: 'Talked', reached: true, meaning: 'A conversation took place' },
  { key: 'callback', name: 'Call back', reached: true, meaning: 'Answered, asked to be called another time' },
  { key: 'not_interested', name: 'Not interested', reached: true, meaning: 'Answered, does not want to move' },
  { key: 'voicemail', name: 'Voicemail', reached: false, meaning: 'A machine answered' },
  { key: 'no_answer', name: 'No answer', reached: false, meaning: 'It rang and nobody answered' },
  { key: 'busy', name: 'Busy', reached: false, meaning: 'The line was busy' },
  { key: 'wrong_number', name: 'Wrong number', reached: false, meaning: 'Somebody else lives there' },
] as const;
/** How a call ended; `short` is a conversation below the length that counts. */
export type CallOutcome = (typeof OUTCOMES)[number]['key'] | 'short';

/** What the phone network reports. `answered` says that somebody picked up, not who. */
export const CALL_STATES = ['dialing', 'ringing', 'answered', 'voicemail', 'ended'] as const;
/** Where a call stands. */
export type CallState = (typeof CALL_STATES)[number];
export const NETWORK_ENDS = ['answered', 'voicemail', 'busy', 'no-answer', 'wrong-number', 'failed'] as const;
/** How the phone network says that a call ended. */
export type NetworkEnd = (typeof NETWORK_ENDS)[number];

/** The default least length of a conversation, two-way talk of two minutes; the account may set another. */
export const CONVERSATION_SECONDS = 120;

/**
 * The outcome of a call that nobody has named yet. Talk of at least `conversationSeconds` is a conversation; a shorter
 * answer is `short`: reached, but not yet a conversation.
 */
export function outcomeOf(end: NetworkEnd, talkSeconds: number, conversationSeconds: number): CallOutcome {
  switch (end) {
    case 'answered':
      return talkSeconds >= conversationSeconds ? 'talked' : 'short';
    case 'voicemail':
      return 'voicemail';
    case 'busy':
      return 'busy';
    case 'wrong-number':
      return 'wrong_number';
    case 'no-answer':
    case 'failed':
      return 'no_answer';
  }
}

export const OUTCOME_KEYS: CallOutcome[] = [...OUTCOMES.map((outcome) => outcome.key), 'short'];
export const isReached = (outcome: CallOutcome): boolean =>
  outcome === 'short' || (OUTCOMES.find((one) => one.key === outcome)?.reached ?? false);
export const outcomeName = (outcome: string): string =>
  outcome === 'short' ? 'Answered, short' : (OUTCOMES.find((one) => one.key === outcome)?.name ?? outcome);

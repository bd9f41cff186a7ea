/**
 * How a call ends. Each outcome is one entry here with all that follows from it; what records calls, counts them, offers them to the agent and
 * asks for them in SQL reads it from here.
 */
interface Outcome {
  key: string;
  name: string;
  meaning: string;
  /** Somebody of theirs was on the line: the lead counts as reached, and a promise to call is kept. */
  reached: boolean;
  /** It was a conversation: the stage moves and the follow-up ends. */
  conversation: boolean;
  /** The number is somebody else’s and is not called again. */
  wrongNumber: boolean;
  /** The agent may name it, by the number of its place among those. */
  named: boolean;
}

export const OUTCOMES = [
  {
    key: 'talked',
    name: 'Talked',
    meaning: 'Had a conversation',
    reached: true,
    conversation: true,
    wrongNumber: false,
    named: true,
  },
  {
    key: 'callback',
    name: 'Call back',
    meaning: 'Asked to be called another time',
    reached: true,
    conversation: false,
    wrongNumber: false,
    named: true,
  },
  {
    key: 'not_interested',
    name: 'Not interested',
    meaning: 'Not planning to move',
    reached: true,
    conversation: false,
    wrongNumber: false,
    named: true,
  },
  {
    key: 'voicemail',
    name: 'Voicemail',
    meaning: 'Went to voicemail',
    reached: false,
    conversation: false,
    wrongNumber: false,
    named: true,
  },
  {
    key: 'no_answer',
    name: 'No answer',
    meaning: 'No one picked up',
    reached: false,
    conversation: false,
    wrongNumber: false,
    named: true,
  },
  {
    key: 'busy',
    name: 'Busy',
    meaning: 'The line was busy',
    reached: false,
    conversation: false,
    wrongNumber: false,
    named: true,
  },
  {
    key: 'wrong_number',
    name: 'Wrong number',
    meaning: 'Someone else has this number',
    reached: false,
    conversation: false,
    wrongNumber: true,
    named: true,
  },
  {
    key: 'short',
    name: 'Short call',
    meaning: 'Picked up, but too short for a conversation',
    reached: true,
    conversation: false,
    wrongNumber: false,
    named: false,
  },
] as const satisfies readonly Outcome[];
/** How a call ended. */
export type CallOutcome = (typeof OUTCOMES)[number]['key'];

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

export const OUTCOME_KEYS: CallOutcome[] = OUTCOMES.map(({ key }) => key);
/** Those that the agent may name, in the order of their keys (1 to 7). */
export const NAMED_OUTCOMES = OUTCOMES.filter(({ named }) => named);
const find = (outcome: string): Outcome | undefined => OUTCOMES.find(({ key }) => key === outcome);
export const isReached = (outcome: CallOutcome): boolean => find(outcome)!.reached;
export const isConversationOutcome = (outcome: string | undefined): boolean => (outcome && find(outcome)?.conversation) === true;
export const isWrongNumber = (outcome: CallOutcome): boolean => find(outcome)!.wrongNumber;
export const outcomeName = (outcome: string): string => find(outcome)?.name ?? outcome;
/** The outcomes by which somebody was reached, as a list for SQL. */
export const REACHED_SQL = `(${OUTCOMES.filter(({ reached }) => reached)
  .map(({ key }) => `'${key}'`)
  .join(',')})`;

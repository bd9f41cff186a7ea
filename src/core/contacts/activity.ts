/** What can happen to a contact: the kinds of activity, and what each carries. The table of activities is append-only. */
import type { Because } from './because';
import { isConversationOutcome, type CallOutcome } from '../calling';
import type { Channel } from '../channels';

export const ACTIVITY_KINDS = [
  'inquiry',
  'handed',
  'enrolled',
  'stopped',
  'finished',
  'message',
  'call',
  'outcome',
  'note',
  'waits',
  'held',
  'bounced',
  'stage',
  'changed',
  'permission',
  'task',
  'next_touch',
  'opened',
  'clicked',
  'visit',
  'viewed_home',
  'saved_home',
] as const;
/** What kind of thing happened to a contact. */
export type ActivityKind = (typeof ACTIVITY_KINDS)[number];

/** What the timeline can be narrowed to; what stands in none of them shows in the whole only. */
export const TIMELINE_GROUPS = {
  calls: ['call', 'outcome'],
  messages: ['message', 'bounced', 'opened', 'clicked', 'held'],
  notes: ['note', 'task', 'next_touch'],
  changes: ['stage', 'changed', 'permission', 'handed', 'enrolled', 'stopped', 'finished'],
} as const satisfies Record<string, readonly ActivityKind[]>;
/** One of the groups that the timeline can be narrowed to. */
export type TimelineGroup = keyof typeof TIMELINE_GROUPS;
export const TIMELINE_GROUP_KEYS = Object.keys(TIMELINE_GROUPS) as TimelineGroup[];
/** From them to us (`in`) or from us to them (`out`). */
export type Direction = 'in' | 'out';

/** What is kept of an activity beside its kind. */
export interface ActivityData {
  /** The words: a message's body, a note, what an inquiry asked. */
  text?: string;
  subject?: string;
  from?: string;
  to?: string;
  /** For a call: how it ended and how long the two spoke. */
  outcome?: CallOutcome;
  /** For an outcome that somebody corrected: what stood there before. */
  was?: CallOutcome;
  talkSeconds?: number;
  ringSeconds?: number;
  callId?: string;
  outboxId?: string;
  campaign?: string;
  campaignId?: string;
  /** Day of the campaign, counted from the enrollment. */
  day?: number;
  /** A message sent by Urraca on its own. */
  automatic?: boolean;
  /** True for an automatic answer such as an out-of-office mail: not an answer of the person. */
  autoReply?: boolean;
  /** True for STOP and its like: an instruction, not an answer. */
  optOut?: boolean;
  /** What an answer refuses, as it was read. */
  refusal?: 'stop' | 'stop_all' | 'wrong_person' | 'unclear';
  /** Came from an address that several people have, and nobody said yet whose it was. */
  shared?: boolean;
  door?: string;
  /** Of an inquiry: with whom they ask. */
  partner?: string;
  stage?: string;
  fromStage?: string;
  dueAt?: string;
  /** A next touch that is an appointment: the two will meet. */
  appointment?: boolean;
}

/** One thing that happened to a contact: a line of the timeline. */
export interface Activity {
  contactId: string;
  userId: string | null;
  at: Date;
  kind: ActivityKind;
  channel: Channel | null;
  direction: Direction | null;
  data: ActivityData;
  because: Because | null;
}

/** True when a person of ours (not a campaign) reached out: a call placed or a message written by hand. */
export const isHumanTry = (activity: Activity): boolean =>
  (activity.kind === 'call' && activity.direction === 'out') ||
  (activity.kind === 'message' && activity.direction === 'out' && !activity.data.automatic);

/** True when the person answered of their own accord: not an automatic reply, not an opt-out. */
export const isAnswer = (activity: Activity): boolean =>
  activity.kind === 'message' && activity.direction === 'in' && !activity.data.autoReply && !activity.data.optOut;

/** True when the two made an appointment. */
export const isAppointment = (activity: Activity): boolean =>
  activity.kind === 'next_touch' && activity.data.appointment === true;

/** True when the two had a conversation by phone, by the network's account or by the agent's. */
export const isConversation = (activity: Activity): boolean =>
  (activity.kind === 'call' || activity.kind === 'outcome') && isConversationOutcome(activity.data.outcome);

/**
 * A qualifying conversation by text: a few questions in order, each answer understood by rules and written down. What is not understood,
 * and whoever asks for a person, goes to the agent at once. Every message says that an assistant writes.
 */
import { formatMoney } from '../format';
import type { Channel } from '../contacts';
import { listed } from '../shared';
import { anywhere, horizonOf, understandSum, understandTowns, understandWhen, understandYesNo, wantsHuman } from './understand';

/** Conversations go by text. */
export const CONVERSATION_CHANNEL = 'text' satisfies Channel;

export const TALK_ASKS = ['when', 'where', 'price', 'financing', 'agent'] as const;
/** What the assistant may ask about. */
export type ConversationTopic = (typeof TALK_ASKS)[number];

/** A question of the assistant, as it is put. */
export interface ConversationQuestion {
  asks: ConversationTopic;
  /** As it is put, without who asks. */
  words: string;
  /** The account's own field into which the answer is written as well. */
  fieldId?: string | null;
}
export const DEFAULT_QUESTIONS: Record<ConversationTopic, string> = {
  when: 'When are you hoping to move?',
  where: 'Which cities are you considering?',
  price: "What's your price range?",
  financing: 'Have you talked with a lender, or are you paying cash?',
  agent: 'Are you already working with an agent?',
};
export const ASK_WORDS: Record<ConversationTopic, string> = {
  when: 'when they plan to move',
  where: 'where',
  price: 'their budget',
  financing: 'their financing',
  agent: 'if they have an agent',
};

/** What a conversation of the assistant asks, and in whose name. */
export interface ConversationFlow {
  questions: ConversationQuestion[];
  /** The agent's first name, who is named as whose assistant it is. */
  agent: string;
  brokerage: string;
}
/** Where a conversation of the assistant stands. */
export interface ConversationState {
  /** The question that is open. */
  at: number;
  answers: Partial<Record<ConversationTopic, string>>;
}

/** What an answer to the assistant writes to the contact. */
export type ConversationReply =
  | { write: 'horizon'; horizon: string }
  | { write: 'price'; min: number | null; max: number | null }
  | { write: 'areas'; areas: string[] }
  | { write: 'field'; fieldId: string; value: string };

/** What the assistant does with an answer. */
export interface ConversationDecision {
  state: 'open' | 'handed' | 'done';
  progress: ConversationState;
  /** What goes to the person; null when nothing does. */
  says: string | null;
  writes: ConversationReply[];
  /** For the timeline: what was understood, or why a person takes over. */
  told: string;
}

const asAssistant = ({ agent, brokerage }: ConversationFlow, text: string): string =>
  `${agent || brokerage}'s assistant: ${text}`;

/** The first message. It says who writes, that it is an assistant, and how to have no more. */
export function beginConversation(flow: ConversationFlow): { progress: ConversationState; says: string } {
  const { agent, brokerage, questions } = flow;
  const whose =
    agent && agent !== brokerage ? `${agent}'s automatic assistant at ${brokerage}` : `the automatic assistant at ${brokerage}`;
  return {
    progress: { at: 0, answers: {} },
    says: `Hello, this is ${whose}. ${questions.length > 1 ? 'A few quick questions' : 'One quick question'} so we can help. ${questions[0]!.words} Reply AGENT to reach a person or STOP to opt out.`,
  };
}

/** What follows from an answer. */
export function continueConversation(
  flow: ConversationFlow,
  progress: ConversationState,
  text: string,
  { towns, now }: { towns: readonly string[]; now: Date },
): ConversationDecision {
  const question = flow.questions[progress.at];
  const hand = (told: string): ConversationDecision => ({
    state: 'handed',
    progress,
    says: asAssistant(flow, `Thank you. ${flow.agent || 'Somebody'} will read this and reply personally.`),
    writes: [],
    told,
  });
  if (!question || wantsHuman(text) || /^\s*agent\W*$/i.test(text)) return hand('They asked for a person.');
  const read = readAnswer(question.asks, text, towns, now);
  if (!read)
    return hand(`“${text.slice(0, 120)}” does not say ${ASK_WORDS[question.asks]}, as far as the assistant understands.`);
  const writes = question.fieldId
    ? [...read.writes, { write: 'field' as const, fieldId: question.fieldId, value: read.shown }]
    : read.writes;
  const next = { at: progress.at + 1, answers: { ...progress.answers, [question.asks]: read.shown } };
  const told = `The assistant understood ${ASK_WORDS[question.asks]}: ${read.shown}.`;
  const following = flow.questions[next.at];
  return following
    ? { state: 'open', progress: next, says: asAssistant(flow, `Thank you. ${following.words}`), writes, told }
    : {
        state: 'done',
        progress: next,
        says: asAssistant(flow, `Thanks, that helps. ${flow.agent || 'Somebody'} will be in touch personally.`),
        writes,
        told,
      };
}

function readAnswer(
  asks: ConversationTopic,
  text: string,
  towns: readonly string[],
  now: Date,
): { shown: string; writes: ConversationReply[] } | null {
  switch (asks) {
    case 'when': {
      const when = understandWhen(text, now);
      if (!when) return null;
      const shown =
        when.days === null
          ? 'no date yet'
          : when.days <= 21
            ? 'within weeks'
            : when.days < 60
              ? 'within two months'
              : `in about ${Math.round(when.days / 30)} months`;
      return { shown, writes: [{ write: 'horizon', horizon: horizonOf(when) }] };
    }
    case 'where': {
      const named = understandTowns(text, towns);
      if (!named.length && anywhere(text)) return { shown: 'anywhere', writes: [] };
      return named.length ? { shown: listed(named), writes: [{ write: 'areas', areas: named }] } : null;
    }
    case 'price': {
      const sums = understandSum(text);
      if (!sums) return null;
      const { min, max } = sums;
      const shown =
        min !== null && max !== null
          ? `${formatMoney(min)} to ${formatMoney(max)}`
          : min !== null
            ? `from ${formatMoney(min)}`
            : `up to ${formatMoney(max!)}`;
      return { shown, writes: [{ write: 'price', min, max }] };
    }
    case 'financing':
    case 'agent': {
      const yes = understandYesNo(text);
      return yes === null ? null : { shown: yes ? 'yes' : 'no', writes: [] };
    }
  }
}

export {
  ASK_WORDS,
  beginConversation,
  continueConversation,
  DEFAULT_QUESTIONS,
  TALK_ASKS,
  type TalkAsk,
  type TalkDecision,
  type ConversationFlow,
  type TalkQuestion,
  type ConversationState,
  type TalkWrite,
} from './conversation';
export { anywhere, horizonOf, understandSum, understandTowns, understandWhen, understandYesNo, wantsPerson } from './understand';

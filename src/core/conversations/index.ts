export {
  ASK_WORDS,
  beginConversation,
  continueConversation,
  CONVERSATION_CHANNEL,
  DEFAULT_QUESTIONS,
  TALK_ASKS,
  type ConversationTopic,
  type ConversationDecision,
  type ConversationFlow,
  type ConversationQuestion,
  type ConversationState,
  type ConversationReply,
} from './conversation';
export { anywhere, horizonOf, understandSum, understandTowns, understandWhen, understandYesNo, wantsHuman } from './understand';

export { answerConversation, isTalking } from './conversations.service';

export {
  ASK_WORDS,
  beginTalk,
  continueTalk,
  DEFAULT_QUESTIONS,
  TALK_ASKS,
  type TalkAsk,
  type TalkDecision,
  type TalkFlow,
  type TalkQuestion,
  type TalkStanding,
  type TalkWrite,
} from './talk';
export { anywhere, horizonOf, understandSum, understandTowns, understandWhen, understandYesNo, wantsPerson } from './understand';

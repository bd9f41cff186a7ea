export {
  CALL_STATES,
  CONVERSATION_SECONDS,
  isConversationOutcome,
  isReached,
  isWrongNumber,
  NAMED_OUTCOMES,
  NETWORK_ENDS,
  OUTCOMES,
  OUTCOME_KEYS,
  outcomeName,
  REACHED_SQL,
  outcomeOf,
  type CallState,
  type NetworkEnd,
  type CallOutcome,
} from './outcomes';
export { progressCall, type CallProgress, type CallReport } from './progress';
export { type CallView } from './views';

export {
  CALL_STATES,
  CONVERSATION_SECONDS,
  isReached,
  NETWORK_ENDS,
  OUTCOMES,
  OUTCOME_KEYS,
  outcomeName,
  outcomeOf,
  type CallState,
  type NetworkEnd,
  type CallOutcome,
} from './outcomes';
export { progressCall, type CallProgress, type CallReport } from './progress';
export { type CallView } from './views';

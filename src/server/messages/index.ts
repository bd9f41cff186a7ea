export { askGuardrails, sendMessage } from './compose.service';
export { receiveMail, receiveText, mailTokenFor, type InboundMail, type InboundText } from './inbox.service';
export {
  backoffSeconds,
  claimOutbox,
  completeOutbox,
  DEAD_AFTER_SECONDS,
  listStuck,
  nextOutbox,
  outboxInFlight,
  retryStuck,
  type HandOver,
  type OutboxMessage,
} from './outbox.service';
export { findUnsubscribe, unsubscribe, unsubscribeToken } from './unsubscribe.service';

export { askGuardrails, sendMessage } from './compose.service';
export { inboundOf, receiveMail, receiveText, mailTokenFor, type InboundMail, type InboundText } from './inbox.service';
export {
  deliveryId,
  findLeadMail,
  listLeadMails,
  receiveLeadMail,
  setLeadMailAside,
  takeLeadMail,
  teachLeadMail,
} from './lead-mailbox.service';
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

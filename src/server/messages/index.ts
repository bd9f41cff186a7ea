export { connectedChannels, isConnected, releaseConnected } from './connected';
export { askGuardrails, sendMessage, type SendResult } from './compose.service';
export { inboundOf, receiveMail, receiveText, mailTokenFor, type InboundMail, type InboundText } from './inbox.service';
export {
  deliveryId,
  findLeadMail,
  saveUnreadMail,
  listLeadMails,
  receiveLeadMail,
  setLeadMailAside,
  convertToInquiry,
  teachLeadMail,
} from './lead-mailbox.service';
export { claimOutbox, DEAD_AFTER_SECONDS, type OutboxMessage } from './claim.service';
export {
  backoffSeconds,
  completeOutbox,
  listStuck,
  nextOutbox,
  outboxInFlight,
  retryStuck,
  type HandOver,
} from './outbox.service';
export { judgeRefusal } from './refusals';
export { receiveReturned } from './bounces.service';
export { followLink, noteOpened, openToken, trackedLinks } from './opens-and-clicks.service';
export { mergeFieldsOf } from './merge-fields';
export { sendTrial, type Trial } from './trial.service';
export { saveTracking, LETTER_STATES, type LetterState } from './tracking.service';
export { listAnswers, markRead } from './answers.repository';
export { findUnsubscribe, unsubscribe, unsubscribeToken } from './unsubscribe.service';

/** The background work that the server may ask for: the name of each job and what it is given. The worker has one handler for each. */
export interface Jobs {
  'simulation.advance': { advanceId: string };
  'calling.hangUp': { callId: string };
  'imports.look': { importId: string };
  'imports.run': { importId: string };
  'imports.undo': { importId: string };
  'exports.run': { exportId: string };
  'exports.mail': { exportId: string };
  'duplicates.find': { accountId: string };
  'changes.run': { changeId: string };
  'changes.undo': { changeId: string };
  'routing.notice': { noticeId: string };
  /** Word to one of the people here about their own login. It holds no secret. */
  'accounts.mail': { mail: { key: string; userId: string; subject: string; text: string } };
  /** The link of an invitation, by mail. Its secret is made when it is mailed. */
  'accounts.invite': { invitationId: string };
  /** A try of an account's own mail server, by a mail to whoever entered it. */
  'accounts.mail_check': { accountId: string; userId: string };
  /** A link for a forgotten password, to whoever has the address. Its secret is made when it is mailed, and stands nowhere. */
  'accounts.reset': { reset: { key: string; email: string } };
  /** A message that somebody tries on themselves. */
  'messages.try': {
    trial: {
      key: string;
      userId: string;
      channel: string;
      subject: string | null;
      text: string;
      html: string | null;
      files: string[];
    };
  };
  /** The letters of a broadcast as one file to print, or its labels. */
  'broadcasts.print': { broadcastId: string; what: 'letters' | 'labels' };
  /** An event on its way to a webhook of the account's. */
  'webhooks.deliver': { deliveryId: string };
  'campaigns.rehearse': { rehearsalId: string };
  'routing.rehearse': { rehearsalId: string };
}
/** The name of a background job. */
export type JobName = keyof Jobs;

/** What changed, as it travels from PostgreSQL to open pages. It carries ids only; a page reads again what it may see. */
export interface LiveEvent {
  accountId: string;
  topic: 'lead' | 'offer' | 'contact' | 'message' | 'call' | 'clock' | 'routing' | 'campaign' | 'change';
  contactId?: string;
  callId?: string;
  /** The contact's agent, who sees it even with the narrowest scope; null when everybody may know. */
  ownerId?: string | null;
  officeId?: string | null;
  /** Whom it concerns beside the agent: those to whom a lead is offered. */
  userIds?: string[];
}
/** The channel on which PostgreSQL tells web processes about a LiveEvent, and the one that wakes workers. */
export const LIVE_CHANNEL = 'urraca_live';
export const DUE_CHANNEL = 'urraca_due';

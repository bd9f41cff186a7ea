/** What is a lead source, by its name: who passes mails on, and senders of notices of any kind, bring leads of others. */

const PASSED_ON = /^(?:forwarded by|fwd?:)(?:\s|$)/i;
const NO_SOURCE =
  /^(?:(?:e-?mail |lead )?(?:notifications?|alerts?|notices?)|no-?reply|do[ -]?not[ -]?reply|mailer(?:-daemon)?|mail server|postmaster|automatic answer|reply|system|admin(?:istrator)?)$/i;

export const isLeadSource = (name: string): boolean => !PASSED_ON.test(name.trim()) && !NO_SOURCE.test(name.trim());

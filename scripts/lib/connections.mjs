/** What an installation has no way for yet, by its environment: each in a line that says what it is for and what to set. */
const CONNECTIONS = [
  ['SMTP_URL', 'email: nothing goes out, no invitations or password links. Set SMTP_URL, or connect a mail server in Setup'],
  ['SMS_URL', 'texts: set SMS_URL'],
  ['VOICE_URL', 'calls from the page: set VOICE_URL; numbers open your phone meanwhile'],
  ['POST_URL', 'letters by mail: set POST_URL; letters can be printed here meanwhile'],
  ['REGISTRY_URL', 'do-not-call registry: set REGISTRY_URL; numbers aren’t checked meanwhile'],
  ['MAIL_DOMAIN', 'lead emails and replies: set MAIL_DOMAIN; replies go to the agent’s own mailbox meanwhile'],
];

/** @returns a line for each that is missing; none with the simulator, which stands in for all */
export const missingConnections = (env) =>
  env.SIMULATOR_URL ? [] : CONNECTIONS.filter(([variable]) => !env[variable]).map(([, line]) => line);

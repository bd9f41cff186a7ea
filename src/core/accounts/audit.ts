/** The audit in words: what somebody did to access, settings, routing or the data as a whole. */

/** A line of the audit as Setup shows it. */
export interface AuditView {
  id: string;
  at: Date;
  /** Who did it; null for Urraca itself and for programs. */
  by: string | null;
  /** The API key that acted, by its name. */
  key: string | null;
  /** What was done, as a sentence without its subject: `changed settings`. */
  does: string;
  /** What it was done to, where it has a name. */
  about: string | null;
}

/** What is recorded under a short name, in words; the rest is recorded in words already. */
const WORDS: Record<string, string> = {
  'stage.create': 'added a stage',
  'stage.update': 'changed a stage',
  'stage.delete': 'deleted a stage',
  'horizon.create': 'added a horizon',
  'horizon.update': 'changed a horizon',
  'horizon.delete': 'deleted a horizon',
  'field.create': 'added a field',
  'field.update': 'changed a field',
  'field.delete': 'deleted a field',
  'tag.delete': 'deleted a tag',
  'source.keep': 'confirmed a lead source',
  'source.merge': 'merged two lead sources',
  'source.split': 'separated two lead sources',
  'sender.settle': 'decided about a sender of lead emails',
  'door.create': 'added a lead source door',
  'door.update': 'changed a lead source door',
  'door.remove': 'removed a lead source door',
  'door.restore': 'restored a lead source door',
  'door.rotate': 'gave a door a new address',
  'page.create': 'created a public page',
  'page.update': 'changed a public page',
  'page.delete': 'deleted a public page',
  'listings.take': 'imported listings',
  'listings.restore': 'put withdrawn listings back on the market',
  'import.upload': 'uploaded a file to import',
  'ground.set': 'changed the farm area',
  'contacts.delete': 'deleted contacts',
  'contacts.merge': 'merged two contacts',
  'contacts.export': 'exported contacts',
  'contacts.export_schedule': 'scheduled an export',
  'contacts.export_unschedule': 'canceled a scheduled export',
  'calendar.create': 'created a calendar link',
  'calendar.revoke': 'revoked a calendar link',
  'source.create': 'added a lead source',
  'source.none': 'took a name off the lead sources',
  'login failed': 'refused a login',
  'said away': 'marked time off',
  'said back': 'ended time off',
  'made a campaign': 'created a campaign',
  'made a template': 'created a template',
};
/** What is recorded under names whose words hold a text. @param text in small letters */
export const auditKeysWith = (text: string): string[] =>
  Object.entries(WORDS)
    .filter(([, words]) => words.toLowerCase().includes(text))
    .map(([what]) => what);
/** @param what as it is recorded */
export const auditWords = (what: string): string => WORDS[what] ?? what.replace(/[._]/g, ' ');

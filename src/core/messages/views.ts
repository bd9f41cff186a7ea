/** What pages and API answers show of messages. Dates are instants; over HTTP they are RFC 3339 text (see Jsoned). */

export interface ParkedView {
  id: string;
  contact_id: string;
  name: string;
  channel: string;
  fault: string;
  attempts: number;
  state: string;
}

/** What other programs can hear of: each event by its name, in words, and which activity is one. */
import type { Activity } from '../contacts';

export const WEBHOOK_EVENTS = {
  'lead.received': 'A lead comes in',
  'lead.assigned': 'A lead gets its agent',
  'contact.changed': 'A contact is edited',
  'stage.changed': 'A contact moves to another stage',
  'permission.changed': 'Someone opts in or out',
  'message.received': 'Someone writes to us',
  'message.sent': 'We write to someone',
  'call.ended': 'A call ends',
  'note.added': 'A note is added',
  'page.visited': 'Someone visits, views, or saves a home',
} as const;
/** An event that other programs can hear of. */
export type WebhookEvent = keyof typeof WEBHOOK_EVENTS;
export const WEBHOOK_EVENT_KEYS = Object.keys(WEBHOOK_EVENTS) as WebhookEvent[];

/** The event that an activity is; null for what stays in the timeline. */
export function eventOf({ kind, direction }: Pick<Activity, 'kind' | 'direction'>): WebhookEvent | null {
  switch (kind) {
    case 'inquiry':
      return 'lead.received';
    case 'handed':
      return 'lead.assigned';
    case 'changed':
      return 'contact.changed';
    case 'stage':
      return 'stage.changed';
    case 'permission':
      return 'permission.changed';
    case 'message':
      return direction === 'in' ? 'message.received' : 'message.sent';
    case 'call':
      return 'call.ended';
    case 'note':
      return 'note.added';
    case 'visit':
    case 'viewed_home':
    case 'saved_home':
      return 'page.visited';
    default:
      return null;
  }
}

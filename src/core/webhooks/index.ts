export { eventOf, WEBHOOK_EVENTS, WEBHOOK_EVENT_KEYS, type WebhookEvent } from './events';
export { DELIVERY_DELAYS, nextDelay } from './retries';
export type { DeliveryView, WebhookInput, WebhookView } from './views';

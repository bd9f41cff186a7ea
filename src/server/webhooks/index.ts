export { emitEvents, type EmittedEvent } from './emit';
export {
  createWebhook,
  deleteWebhook,
  listDeliveries,
  listWebhooks,
  replayDelivery,
  rotateWebhookSecret,
  testWebhook,
  updateWebhook,
} from './webhooks.service';
export { failDelivery, findDelivery, keepPayload, saveDelivered, sweepDeliveries, type Delivery } from './deliveries.service';

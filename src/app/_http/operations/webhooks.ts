/** The operations of webhooks: where other programs listen, and the log of what was sent. */
import Joi from 'joi';
import { WEBHOOK_EVENT_KEYS, type DeliveryView, type WebhookView } from '@/core/webhooks';
import { answer, nothing, type Listed, type Operation } from './operation';
import { page } from './parts';

const url = Joi.string().trim().max(2_000).example('https://hooks.yours.example/urraca');
const events = Joi.array()
  .items(Joi.string().valid(...WEBHOOK_EVENT_KEYS))
  .min(1)
  .unique();

export const WEBHOOK_OPERATIONS = {
  listWebhooks: {
    method: 'GET',
    path: '/webhooks',
    summary: 'List webhooks, without secrets',
    scope: 'setup:write',
    only: 'office',
    answer: answer<{ items: WebhookView[] }>(),
  },
  createWebhook: {
    secret: true,
    confirm: true,
    method: 'POST',
    path: '/webhooks',
    summary: 'Add a webhook; the secret that signs its events is shown once (Standard Webhooks)',
    scope: 'setup:write',
    only: 'user',
    body: Joi.object({ url: url.required(), events: events.required() }),
    answer: answer<WebhookView & { secret: string }>(),
  },
  updateWebhook: {
    confirm: true,
    method: 'PATCH',
    path: '/webhooks/{id}',
    summary: 'Change a webhook, or turn it on or off',
    scope: 'setup:write',
    only: 'user',
    body: Joi.object({ url, events, on: Joi.boolean() }).min(1),
    answer: answer<WebhookView>(),
  },
  rotateWebhookSecret: {
    secret: true,
    confirm: true,
    method: 'POST',
    path: '/webhooks/{id}/secret',
    summary: 'Give a webhook a new secret, shown once; the old one stops right away',
    scope: 'setup:write',
    only: 'user',
    answer: answer<{ secret: string }>(),
  },
  deleteWebhook: {
    method: 'DELETE',
    path: '/webhooks/{id}',
    summary: 'Remove a webhook',
    scope: 'setup:write',
    only: 'user',
    answer: nothing,
  },
  listDeliveries: {
    method: 'GET',
    path: '/webhooks/{id}/deliveries',
    summary: 'List what was sent to a webhook in the last 30 days, newest first',
    scope: 'setup:write',
    only: 'office',
    query: page,
    answer: answer<Listed<DeliveryView>>(),
  },
  testWebhook: {
    method: 'POST',
    path: '/webhooks/{id}/test',
    summary: 'Send a test event to a webhook',
    scope: 'setup:write',
    only: 'user',
    answer: answer<{ delivery_id: string }>(),
  },
  replayDelivery: {
    method: 'POST',
    path: '/webhook-deliveries/{id}/replay',
    summary: 'Send an event once more, under the same ID',
    scope: 'setup:write',
    only: 'user',
    answer: nothing,
  },
} as const satisfies Record<string, Operation>;

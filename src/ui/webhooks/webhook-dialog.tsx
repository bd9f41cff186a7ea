'use client';
/** Where a webhook listens and for what. */
import { WEBHOOK_EVENT_KEYS, WEBHOOK_EVENTS, type WebhookEvent, type WebhookView } from '@/core/webhooks';
import type { Jsoned } from '@/core/shared';
import { ask, freshKey } from '../primitives';
import { CheckboxesFormField, FormDialog, Text, TextFormField, useSaveForm } from '../kit';

/** @param onSaved hears the secret of a new one */
export function WebhookDialog({
  hook,
  onClose,
  onSaved,
}: {
  hook: Jsoned<WebhookView> | null;
  onClose: () => void;
  onSaved: (secret: string | null) => void;
}) {
  const form = useSaveForm({
    values: { url: hook?.url ?? '', events: hook?.events ?? (['lead.received'] as WebhookEvent[]) },
    save: async (body): Promise<string | null> => {
      if (!hook) return (await ask('POST /webhooks', { body, headers: freshKey() })).secret;
      await ask('PATCH /webhooks/{id}', { params: { id: hook.id }, body });
      return null;
    },
    onSaved,
  });
  const { url, events } = form.form.watch();
  return (
    <FormDialog
      title={hook ? 'Edit webhook' : 'Add a webhook'}
      form={form}
      does={hook ? 'Save' : 'Add'}
      may={url.trim() !== '' && events.length > 0}
      onClose={onClose}
    >
      <TextFormField
        name="url"
        label="Address"
        inputMode="url"
        help="Where the other program listens. It starts with https://"
        autoFocus={!hook}
      />
      <CheckboxesFormField
        name="events"
        label="Tell it when"
        options={WEBHOOK_EVENT_KEYS.map((event) => ({
          value: event,
          label: (
            <>
              {WEBHOOK_EVENTS[event]}{' '}
              <Text tone="soft" small>
                {event}
              </Text>
            </>
          ),
        }))}
      />
    </FormDialog>
  );
}

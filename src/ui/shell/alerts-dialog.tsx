'use client';
/** How a person wants to hear of leads, beside the notice on the page; theirs on every device. */
import { useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { putPreference, usePreferences } from '../primitives';
import { Checkbox, Dialog, Stack, Text, useToast } from '../kit';
import { askToNotify, NO_ALERTS } from './alerts';

export function AlertsDialog({ onClose }: { onClose: () => void }) {
  const queries = useQueryClient();
  const toast = useToast();
  const { data } = usePreferences();
  const [choice, setChoice] = useState(data?.lead_alerts ?? NO_ALERTS);
  const [refused, setRefused] = useState(false);
  const setBrowser = async (browser: boolean) => {
    const may = browser && (await askToNotify());
    setRefused(browser && !may);
    setChoice((before) => ({ ...before, browser: may }));
  };
  return (
    <Dialog
      title="Lead alerts"
      onClose={onClose}
      onSubmit={() => {
        putPreference(queries, 'lead_alerts', choice);
        toast.tell('Lead alerts saved.');
        onClose();
      }}
    >
      <Text as="p" tone="soft">
        New and offered leads always show on the page, with their name.
      </Text>
      <Stack gap={1}>
        <Checkbox checked={choice.sound} onChange={(event) => setChoice({ ...choice, sound: event.target.checked })}>
          Play a sound
        </Checkbox>
        <Checkbox checked={choice.browser} onChange={(event) => void setBrowser(event.target.checked)}>
          Show a browser notification when Urraca is in the background
        </Checkbox>
        {refused && (
          <Text tone="late" small role="alert">
            Your browser blocks notifications from Urraca. Allow them in the browser’s site settings, then try again.
          </Text>
        )}
      </Stack>
    </Dialog>
  );
}

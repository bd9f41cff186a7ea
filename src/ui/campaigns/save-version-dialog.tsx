'use client';
/** Keeping a version while people are in the campaign: what it would mean for them, and whether they move to it. */
import { useState } from 'react';
import Dialog from '@mui/material/Dialog';
import { useQuery } from '@tanstack/react-query';
import { daysOf, stepsIn, stepWords, type Plan } from '@/core/campaigns';
import { ask } from '../primitives';
import type { Campaign } from './shapes';
import { DialogBody, FormEnd, Heading, Panel, Radio, Text } from '../kit';

export function SaveVersionDialog({
  campaign,
  plan,
  busy,
  onSave: onKeep,
  onClose,
}: {
  campaign: Campaign;
  plan: Plan;
  busy: boolean;
  onSave: (people: 'stay' | 'move') => void;
  onClose: () => void;
}) {
  const [people, setPeople] = useState<'stay' | 'move'>('stay');
  const meaning = useQuery({
    queryKey: ['campaigns', campaign.id, 'preview', JSON.stringify(plan)],
    queryFn: () => ask('POST /campaigns/{id}/plan/preview', { params: { id: campaign.id }, body: { plan } }),
    gcTime: 0,
  });
  const days = daysOf(plan.steps);
  const lines = (counts: Record<string, number>) =>
    stepsIn(plan.steps)
      .filter(({ id }) => counts[String(id)])
      .map(
        (step) => `${stepWords(step)} of day ${days.get(step.id)}: ${counts[String(step.id)]!.toLocaleString('en-US')} people`,
      );
  const told = meaning.data;
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="keep-title">
      <DialogBody
        as="form"
        onSubmit={(event) => {
          event.preventDefault();
          onKeep(people);
        }}
      >
        <Heading level={1} id="keep-title">
          {campaign.active === 1 ? 'One person is in it' : `${campaign.active.toLocaleString('en-US')} people are in it`}
        </Heading>
        <Radio name="people" checked={people === 'stay'} onChange={() => setPeople('stay')}>
          Keep them on their version; new people get this one
        </Radio>
        <Radio name="people" checked={people === 'move'} onChange={() => setPeople('move')}>
          Move them to this version
        </Radio>
        {people === 'move' && (
          <Panel aria-live="polite">
            {!told && <Text tone="soft">Counting…</Text>}
            {told && (
              <>
                <p>No one gets a step twice.</p>
                {lines(told.never).length > 0 && (
                  <>
                    <Text as="p" strong>
                      Won’t be sent, because it comes before where they are:
                    </Text>
                    <ul>
                      {lines(told.never).map((line) => (
                        <li key={line}>{line}</li>
                      ))}
                    </ul>
                  </>
                )}
                {lines(told.twice).length > 0 && (
                  <>
                    <Text as="p" strong>
                      Will be skipped, because they already had it:
                    </Text>
                    <ul>
                      {lines(told.twice).map((line) => (
                        <li key={line}>{line}</li>
                      ))}
                    </ul>
                  </>
                )}
                {told.astray > 0 && (
                  <p>
                    {told.astray.toLocaleString('en-US')} are on a step that was removed. They continue with the next one they
                    haven’t had.
                  </p>
                )}
              </>
            )}
          </Panel>
        )}
        <FormEnd does="Save version" busy={busy} onCancel={onClose} />
      </DialogBody>
    </Dialog>
  );
}

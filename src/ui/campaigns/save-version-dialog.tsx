'use client';
/** Keeping a version while people are in the campaign: what it would mean for them, and whether they move to it. */
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { daysOf, stepsIn, stepWords, type Plan } from '@/core/campaigns';
import { ask, useFormat } from '../primitives';
import type { Campaign } from './shapes';
import { Dialog, Panel, Radio, Text } from '../kit';

export function SaveVersionDialog({
  campaign,
  plan,
  busy,
  onSave,
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
  const format = useFormat();
  const days = daysOf(plan.steps);
  const lines = (counts: Record<string, number>) =>
    stepsIn(plan.steps)
      .filter(({ id }) => counts[String(id)])
      .map((step) => `${stepWords(step)} of day ${days.get(step.id)}: ${format.number(counts[String(step.id)]!)} people`);
  const told = meaning.data;
  return (
    <Dialog
      title={campaign.active === 1 ? 'One person is in it' : `${format.number(campaign.active)} people are in it`}
      width="sm"
      onClose={onClose}
      onSubmit={() => onSave(people)}
      does="Save version"
      busy={busy}
    >
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
                  {format.number(told.astray)} are on a step that was removed. They continue with the next one they haven’t had.
                </p>
              )}
            </>
          )}
        </Panel>
      )}
    </Dialog>
  );
}

'use client';
/** Keeping a version while people are in the campaign: what it would mean for them, and whether they move to it. */
import { useState } from 'react';
import Dialog from '@mui/material/Dialog';
import { useQuery } from '@tanstack/react-query';
import { daysOf, stepsIn, stepWords, type Plan } from '@/core/campaigns';
import { ask } from '../primitives';
import type { Campaign } from './shapes';
import { FormEnd, Radio } from '../kit';

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
      <form
        className="dialog"
        onSubmit={(event) => {
          event.preventDefault();
          onKeep(people);
        }}
      >
        <h1 id="keep-title">
          {campaign.active === 1 ? 'One person is in it' : `${campaign.active.toLocaleString('en-US')} people are in it`}
        </h1>
        <label className="choice">
          <Radio name="people" checked={people === 'stay'} onChange={() => setPeople('stay')} /> They go on as they began; whoever
          comes from now on goes by this version
        </label>
        <label className="choice">
          <Radio name="people" checked={people === 'move'} onChange={() => setPeople('move')} /> They move to this version
        </label>
        {people === 'move' && (
          <div className="panel" style={{ padding: '12px 16px' }} aria-live="polite">
            {!told && <span className="soft">Counting …</span>}
            {told && (
              <>
                <p>Nobody receives a step twice: each goes on behind what they have had.</p>
                {lines(told.never).length > 0 && (
                  <>
                    <p className="strong">Would never be received, because it stands before where they are:</p>
                    <ul>
                      {lines(told.never).map((line) => (
                        <li key={line}>{line}</li>
                      ))}
                    </ul>
                  </>
                )}
                {lines(told.twice).length > 0 && (
                  <>
                    <p className="strong">Stands behind where they are though they have had it, and is left out for them:</p>
                    <ul>
                      {lines(told.twice).map((line) => (
                        <li key={line}>{line}</li>
                      ))}
                    </ul>
                  </>
                )}
                {told.astray > 0 && (
                  <p>
                    {told.astray.toLocaleString('en-US')} stand at a step that is gone, and go on at the next one that they have
                    not had.
                  </p>
                )}
              </>
            )}
          </div>
        )}
        <FormEnd does="Keep the version" busy={busy} onCancel={onClose} />
      </form>
    </Dialog>
  );
}

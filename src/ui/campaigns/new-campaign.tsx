'use client';
/** A new campaign: from nothing, from one that comes with Urraca, or as a copy. It begins as a draft. */
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { useQueryClient } from '@tanstack/react-query';
import { stepsIn, type Starter } from '@/core/campaigns';
import { ask, freshKey } from '../primitives';
import { useStarters, type Campaign } from './shapes';
import { CheckboxFormField, Columns, FormDialog, Radio, Text, TextFormField, useSaveForm } from '../kit';

const stepCount = ({ steps }: Starter['plan']): string => {
  const n = stepsIn(steps).length;
  return n === 1 ? '1 step' : `${n} steps`;
};

export function NewCampaign({ copyOf, office, onClose }: { copyOf: Campaign | null; office: boolean; onClose: () => void }) {
  const { data: starters = [] } = useStarters();
  const [key] = useState(freshKey);
  const router = useRouter();
  const queries = useQueryClient();
  const campaign = useSaveForm({
    values: { name: copyOf ? `${copyOf.name}, copy` : '', shared: office, starter: '' },
    save: ({ name, shared, starter }) =>
      ask('POST /campaigns', {
        body: { name: name.trim(), shared, ...(copyOf ? { copy_of: copyOf.id } : starter ? { starter } : {}) },
        headers: key,
      }),
    onSaved: ({ id }) => {
      void queries.invalidateQueries({ queryKey: ['campaigns'] });
      router.push(`/campaigns/${id}`);
    },
  });
  const { name, starter: chosen } = campaign.form.watch();
  const choose = (one: { key: string; name: string }) => {
    campaign.form.setValue('starter', one.key, { shouldDirty: true });
    /* A name of one's own stays. */
    if (one.key && (!name || starters.some((other) => other.name === name))) campaign.form.setValue('name', one.name);
  };
  return (
    <FormDialog
      title={copyOf ? `Copy of “${copyOf.name}”` : 'New campaign'}
      width={copyOf ? 'sm' : 'md'}
      form={campaign}
      does="Create draft"
      may={name.trim() !== ''}
      onClose={onClose}
    >
      {!copyOf && (
        <Columns least={330} gap={2} scroll={420} role="radiogroup" aria-label="Start from">
          {[{ key: '', name: 'Blank', about: 'An empty timeline.', plan: null }, ...starters].map((one) => (
            <Radio key={one.key} name="starter" checked={chosen === one.key} onChange={() => choose(one)}>
              <b>{one.name}</b>{' '}
              {one.plan && (
                <Text tone="soft" small nowrap>
                  {stepCount(one.plan)}
                </Text>
              )}
              <Text block tone="soft" small>
                {one.about}
              </Text>
            </Radio>
          ))}
        </Columns>
      )}
      <TextFormField name="name" label="Name" autoFocus maxLength={80} />
      {office && <CheckboxFormField name="shared" label="Share with the whole team" />}
    </FormDialog>
  );
}

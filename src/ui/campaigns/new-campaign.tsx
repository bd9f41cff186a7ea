'use client';
/** A new campaign: from nothing, from one that comes with Urraca, or as a copy. It begins as a draft. */
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Dialog from '@mui/material/Dialog';
import TextField from '@mui/material/TextField';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { stepsIn, type Starter } from '@/core/campaigns';
import { ask, freshKey } from '../primitives';
import { useStarters, type Campaign } from './shapes';
import { Checkbox, Columns, DialogBody, ErrorMessage, FormEnd, Heading, Radio, Text } from '../kit';

const stepCount = ({ steps }: Starter['plan']): string => {
  const n = stepsIn(steps).length;
  return n === 1 ? '1 step' : `${n} steps`;
};

export function NewCampaign({ copyOf, office, onClose }: { copyOf: Campaign | null; office: boolean; onClose: () => void }) {
  const { data: starters = [] } = useStarters();
  const [chosen, setChosen] = useState<string | null>(null);
  const [name, setName] = useState(copyOf ? `${copyOf.name}, copy` : '');
  const [shared, setShared] = useState(office);
  const [key] = useState(freshKey);
  const router = useRouter();
  const queries = useQueryClient();
  const make = useMutation({
    mutationFn: () =>
      ask('POST /campaigns', {
        body: { name: name.trim(), shared, ...(copyOf ? { copy_of: copyOf.id } : chosen ? { starter: chosen } : {}) },
        headers: key,
      }),
    onSuccess: ({ id }) => {
      void queries.invalidateQueries({ queryKey: ['campaigns'] });
      router.push(`/campaigns/${id}`);
    },
  });
  return (
    <Dialog open onClose={onClose} maxWidth={copyOf ? 'sm' : 'md'} fullWidth aria-labelledby="campaign-title">
      <DialogBody
        as="form"
        onSubmit={(event) => {
          event.preventDefault();
          make.mutate();
        }}
      >
        <Heading level={1} id="campaign-title">
          {copyOf ? `Copy of “${copyOf.name}”` : 'New campaign'}
        </Heading>
        {!copyOf && (
          <Columns least={330} gap={0.5} scroll={420} role="radiogroup" aria-label="Start from">
            {[{ key: null, name: 'Blank', about: 'An empty timeline.', plan: null }, ...starters].map((one) => (
              <Radio
                key={one.key ?? ''}
                name="starter"
                checked={chosen === one.key}
                onChange={() => {
                  setChosen(one.key);
                  if (one.key && (!name || starters.some((other) => other.name === name))) setName(one.name);
                }}
              >
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
        <TextField
          autoFocus
          size="small"
          label="Name"
          value={name}
          onChange={(event) => setName(event.target.value)}
          slotProps={{ htmlInput: { maxLength: 80 } }}
        />
        {office && (
          <Checkbox checked={shared} onChange={(event) => setShared(event.target.checked)}>
            Share with the whole team
          </Checkbox>
        )}
        <ErrorMessage error={make.error} />
        <FormEnd does="Create draft" busy={make.isPending} may={name.trim().length > 0} onCancel={onClose} />
      </DialogBody>
    </Dialog>
  );
}

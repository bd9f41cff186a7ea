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
import './campaigns.css';
import { Checkbox, ErrorMessage, FormEnd, Radio } from '../kit';

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
      <form
        className="dialog"
        onSubmit={(event) => {
          event.preventDefault();
          make.mutate();
        }}
      >
        <h1 id="campaign-title">{copyOf ? `Copy of “${copyOf.name}”` : 'New campaign'}</h1>
        {!copyOf && (
          <div className="starters" role="radiogroup" aria-label="Start from">
            {[{ key: null, name: 'Blank', about: 'An empty timeline.', plan: null }, ...starters].map((one) => (
              <label key={one.key ?? ''} className={`starter${chosen === one.key ? ' on' : ''}`}>
                <Radio
                  name="starter"
                  checked={chosen === one.key}
                  onChange={() => {
                    setChosen(one.key);
                    if (one.key && (!name || starters.some((other) => other.name === name))) setName(one.name);
                  }}
                />
                <span>
                  <b>{one.name}</b> {one.plan && <span className="soft small nowrap">{stepCount(one.plan)}</span>}
                  <span className="soft small" style={{ display: 'block' }}>
                    {one.about}
                  </span>
                </span>
              </label>
            ))}
          </div>
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
          <label className="choice">
            <Checkbox checked={shared} onChange={(event) => setShared(event.target.checked)} /> Share with the whole team
          </label>
        )}
        <ErrorMessage error={make.error} />
        <FormEnd does="Create draft" busy={make.isPending} may={name.trim().length > 0} onCancel={onClose} />
      </form>
    </Dialog>
  );
}

'use client';
/** Where somebody stands and when they will move: stage and horizon, changed in place, with undo. */
import { capitalized } from '@/core/shared';
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { isFollowedUp, stageName, stepOf } from '@/core/contacts';
import type { Word } from '@/core/segments';
import { ask, nameIn, NO_WORDS, Strokes, useVocabulary } from '../primitives';
import type { ContactInFull } from './types';
import { useToast } from '../kit';

const LOOK = {
  fontSize: 14,
  color: 'var(--soft)',
  '& .MuiSelect-select': { p: '0 22px 0 2px !important' },
  '& fieldset': { border: 0 },
  '& svg': { fontSize: 18, right: 0 },
} as const;

export function Axes({ contact, readOnly }: { contact: ContactInFull; readOnly?: boolean }) {
  return readOnly ? <Stands contact={contact} /> : <Choices contact={contact} />;
}

const rolesOf = (contact: ContactInFull): string => contact.roles.map((role) => capitalized(role)).join(', ') || 'No role yet';

/** For those who may look and not change. */
function Stands({ contact }: { contact: ContactInFull }) {
  return (
    <div className="axes">
      {rolesOf(contact)} · {contact.stage.name} · <Strokes horizon={contact.horizon} />
    </div>
  );
}

function Choices({ contact }: { contact: ContactInFull }) {
  const queries = useQueryClient();
  const toast = useToast();
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  /** The words to choose from; what the person has is among them, also when it is being taken away. */
  const shown = (of: 'stage' | 'horizon', has: string | null, name: string): Word[] => {
    const words = vocabulary.names[of] ?? [];
    return has && !words.some(({ value }) => value === has) ? [...words, { value: has, name }] : words;
  };
  const nameOfStage = (key: string) => nameIn(vocabulary)('stage', key) ?? stageName(key);
  const change = useMutation({
    mutationFn: (patch: object) => ask('PATCH /contacts/{id}', { params: { id: contact.id }, body: patch }),
    onSuccess: () => void queries.invalidateQueries(),
    onError: toast.fail,
  });
  const setStage = (stage: string) => {
    const before = contact.stage.key;
    let reason: Record<string, string> = {};
    if (stepOf(stage) === 'archived') {
      const why = window.prompt('Why are you archiving this contact?');
      if (!why?.trim()) return;
      reason = { archived_because: why };
    }
    change.mutate(
      { stage, ...reason },
      {
        onSuccess: () =>
          toast.tell(
            `${nameOfStage(stage)} now.${isFollowedUp(stage) ? '' : ' Campaigns ended.'}`,
            before === 'archived' ? undefined : () => change.mutate({ stage: before }),
          ),
      },
    );
  };
  return (
    <div className="axes">
      <span>{rolesOf(contact)}</span>·
      <Select
        value={contact.stage.key}
        onChange={(event) => setStage(event.target.value)}
        sx={LOOK}
        inputProps={{ 'aria-label': 'Stage' }}
        renderValue={nameOfStage}
      >
        {shown('stage', contact.stage.key, contact.stage.name).map((stage) => (
          <MenuItem key={stage.value} value={stage.value}>
            {stage.name}{' '}
            <span className="soft small" style={{ marginLeft: 10 }}>
              {stage.meaning}
            </span>
          </MenuItem>
        ))}
      </Select>
      · <Strokes horizon={contact.horizon} />
      <Select
        value={contact.horizon ?? ''}
        displayEmpty
        onChange={(event) => change.mutate({ horizon: event.target.value || null })}
        sx={LOOK}
        inputProps={{ 'aria-label': 'Horizon' }}
        renderValue={(key) => nameIn(vocabulary)('horizon', key) ?? (key ? '…' : 'No horizon yet')}
      >
        <MenuItem value="">No horizon yet</MenuItem>
        {shown('horizon', contact.horizon, '…').map((horizon) => (
          <MenuItem key={horizon.value} value={horizon.value}>
            {horizon.name}{' '}
            <span className="soft small" style={{ marginLeft: 10 }}>
              {horizon.rhythm_days && `${horizon.meaning ? `${horizon.meaning}, ` : ''}every ${horizon.rhythm_days} days`}
            </span>
          </MenuItem>
        ))}
      </Select>
    </div>
  );
}

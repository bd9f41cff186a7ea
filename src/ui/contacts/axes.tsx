'use client';
/** Where somebody stands and when they will move: stage and horizon, changed in place, with undo. */
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { HORIZONS, STAGES, stageName } from '@/core/contacts';
import { ask, Strokes, useNotices } from '../primitives';
import { nameIn, NO_WORDS, useVocabulary } from '../segments';
import type { ContactInFull } from './types';

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

const rolesOf = (contact: ContactInFull): string =>
  contact.roles.map((role) => role[0]!.toUpperCase() + role.slice(1)).join(', ') || 'No role yet';

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
  const notices = useNotices();
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const nameOfStage = (key: string) => nameIn(vocabulary)('stage', key) ?? stageName(key);
  const change = useMutation({
    mutationFn: (patch: object) => ask(`/contacts/${contact.id}`, 'PATCH', patch),
    onSuccess: () => void queries.invalidateQueries(),
    onError: notices.fail,
  });
  const setStage = (stage: string) => {
    const before = contact.stage.key;
    let reason: Record<string, string> = {};
    if (stage === 'archived') {
      const why = window.prompt('Why is this person archived?');
      if (!why?.trim()) return;
      reason = { archived_because: why };
    }
    change.mutate(
      { stage, ...reason },
      {
        onSuccess: () =>
          notices.tell(
            `${nameOfStage(stage)} now.${['client', 'under_contract', 'past_client', 'archived'].includes(stage) ? ' Follow-up by campaigns has ended.' : ''}`,
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
        {STAGES.map((stage) => (
          <MenuItem key={stage.key} value={stage.key}>
            {nameOfStage(stage.key)}{' '}
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
        renderValue={(key) =>
          nameIn(vocabulary)('horizon', key) ?? HORIZONS.find((one) => one.key === key)?.name ?? 'No horizon yet'
        }
      >
        <MenuItem value="">No horizon yet</MenuItem>
        {HORIZONS.map((horizon) => (
          <MenuItem key={horizon.key} value={horizon.key}>
            {horizon.name}{' '}
            <span className="soft small" style={{ marginLeft: 10 }}>
              {horizon.meaning}, every {horizon.rhythmDays} days
            </span>
          </MenuItem>
        ))}
      </Select>
    </div>
  );
}

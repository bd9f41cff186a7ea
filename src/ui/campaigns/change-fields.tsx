'use client';
/** What a step changes about the contact. */
import { useQuery } from '@tanstack/react-query';
import type { ContactUpdate } from '@/core/campaigns';
import { ask, NO_WORDS, useVocabulary } from '../primitives';
import { useTags } from '../segments';
import { CHANGE_WORDS } from './ruler';
import { useCampaigns } from './shapes';
import { Input, Row, Select } from '../kit';

/** The kinds of change with what they take at first. */
function changeOf(
  set: ContactUpdate['set'],
  first: { tag?: string; user?: string; campaign?: string; stage?: string; field?: string },
): ContactUpdate {
  switch (set) {
    case 'tag':
    case 'untag':
      return { set, tagId: first.tag ?? '0' };
    case 'stage':
      return { set, stage: first.stage ?? 'talking' };
    case 'horizon':
      return { set, horizon: 'nurture' };
    case 'owner':
      return { set, userId: first.user ?? '0' };
    case 'task':
      return { set, note: 'Look at their file.' };
    case 'field':
      return { set, fieldId: first.field ?? '0', value: '' };
    case 'begin':
    case 'leave':
      return { set, campaignId: first.campaign ?? '0' };
  }
}

export function ChangeFields({
  change,
  campaignId,
  onChange,
}: {
  change: ContactUpdate;
  campaignId: string;
  onChange: (change: ContactUpdate) => void;
}) {
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const { data: tags = [] } = useTags();
  const { data: campaigns = [] } = useCampaigns();
  const users = useQuery({
    queryKey: ['users'],
    queryFn: async () => (await ask('GET /users')).items,
    staleTime: 60_000,
  });
  const others = campaigns.filter(({ id }) => id !== campaignId);
  const agents = (users.data ?? []).filter(({ role }) => role !== 'lender');
  const choice = (
    label: string,
    value: string,
    options: readonly { value: string; name: string }[],
    put: (value: string) => void,
  ) => (
    <Select aria-label={label} value={value} onChange={(event) => put(event.target.value)}>
      {!options.some((one) => one.value === value) && <option value={value}>choose…</option>}
      {options.map((one) => (
        <option key={one.value} value={one.value}>
          {one.name}
        </option>
      ))}
    </Select>
  );
  return (
    <Row above={1}>
      <Select
        aria-label="What to change"
        value={change.set}
        onChange={(event) =>
          onChange(
            changeOf(event.target.value as ContactUpdate['set'], {
              tag: tags[0]?.id,
              user: agents[0]?.id,
              campaign: others[0]?.id,
              stage: vocabulary.names.stage?.[0]?.value,
              field: vocabulary.fields[0]?.id,
            }),
          )
        }
      >
        {Object.entries(CHANGE_WORDS).map(([set, name]) => (
          <option key={set} value={set}>
            {name}
          </option>
        ))}
      </Select>
      {(change.set === 'tag' || change.set === 'untag') &&
        choice(
          'Tag',
          change.tagId,
          tags.map(({ id, name }) => ({ value: id, name })),
          (tagId) => onChange({ ...change, tagId }),
        )}
      {change.set === 'stage' &&
        choice('Stage', change.stage, vocabulary.names.stage ?? [], (stage) => onChange({ ...change, stage }))}
      {change.set === 'horizon' &&
        choice('Horizon', change.horizon ?? '', [...(vocabulary.names.horizon ?? []), { value: '', name: 'none' }], (horizon) =>
          onChange({ ...change, horizon: horizon || null }),
        )}
      {change.set === 'owner' &&
        choice(
          'Agent',
          change.userId,
          agents.map(({ id, name }) => ({ value: id, name })),
          (userId) => onChange({ ...change, userId }),
        )}
      {change.set === 'task' && (
        <Input
          width={220}
          aria-label="What to do"
          value={change.note}
          maxLength={500}
          onChange={(event) => onChange({ ...change, note: event.target.value })}
        />
      )}
      {change.set === 'field' && (
        <>
          {choice(
            'Field',
            change.fieldId,
            vocabulary.fields.map(({ id, name }) => ({ value: id, name })),
            (fieldId) => onChange({ ...change, fieldId }),
          )}
          <Input
            aria-label="Value of the field"
            placeholder="empty"
            value={change.value}
            maxLength={500}
            onChange={(event) => onChange({ ...change, value: event.target.value })}
          />
        </>
      )}
      {(change.set === 'begin' || change.set === 'leave') &&
        choice(
          'Campaign',
          change.campaignId,
          others.map(({ id, name }) => ({ value: id, name })),
          (one) => onChange({ ...change, campaignId: one }),
        )}
    </Row>
  );
}

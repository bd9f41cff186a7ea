'use client';
/** The form of each change: it answers a whole change, or null while something is missing. */
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import type { BulkActionInput, ContactSelection } from '@/core/changes';
import { CONTACT_ROLES, ROLE_NAMES, type ContactRole } from '@/core/contacts';
import type { VocabularyView } from '@/core/segments';
import { ask, NO_WORDS, useVocabulary } from '../primitives';
import type { OnChange } from './selection';
import { PermissionForm } from './permission-form';
import { SetFieldForm } from './set-field-form';
import { TagPicker } from './tag-picker';
import { Field, Input, Radio, Row, Select, Stack, Text } from '../kit';

export type BulkActionForm = Exclude<BulkActionInput['kind'], `delete_${string}` | 'hand_on'> | 'archive';
export const TITLES: Record<BulkActionForm, string> = {
  tags: 'Tags',
  horizon: 'Set horizon',
  stage: 'Set stage',
  owner: 'Hand to an agent',
  campaign: 'Add to a campaign',
  call_list: 'Add to the call list',
  roles: 'Change roles',
  field: 'Set a field',
  permission: 'Record a permission',
  archive: 'Archive',
  delete: 'Delete',
};

export function ChangeForm({
  doing,
  selection,
  onChange,
}: {
  doing: BulkActionForm;
  selection: ContactSelection;
  onChange: OnChange;
}) {
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  switch (doing) {
    case 'tags':
      return <Tags selection={selection} onChange={onChange} />;
    case 'stage':
      return (
        <OneOf
          label="Stage"
          of="stage"
          vocabulary={vocabulary}
          without={['archived']}
          onPick={(stage) => onChange({ kind: 'stage', stage })}
        />
      );
    case 'horizon':
      return (
        <OneOf
          label="Horizon"
          of="horizon"
          vocabulary={vocabulary}
          none="No horizon"
          onPick={(horizon) => onChange({ kind: 'horizon', horizon: horizon || null })}
        />
      );
    case 'owner':
      return <HandTo vocabulary={vocabulary} onChange={onChange} />;
    case 'campaign':
      return (
        <OneOf
          label="Campaign"
          of="campaign"
          vocabulary={vocabulary}
          onPick={(campaign_id) => onChange({ kind: 'campaign', campaign_id })}
        />
      );
    case 'call_list':
      return <OneLine label="What the call is about (optional)" onChange={(note) => onChange({ kind: 'call_list', note })} />;
    case 'roles':
      return <Roles onChange={onChange} />;
    case 'field':
      return <SetFieldForm fields={vocabulary.fields} onChange={onChange} />;
    case 'permission':
      return <PermissionForm onChange={onChange} />;
    case 'archive':
      return (
        <OneLine
          label="Why"
          onChange={(because) =>
            onChange(because.trim() ? { kind: 'stage', stage: 'archived', archived_because: because } : null)
          }
        />
      );
    case 'delete':
      return (
        <p>
          They’re removed from every list, their campaigns end, and pending messages are held. Undo brings them back, but
          campaigns that ended stay ended.
        </p>
      );
  }
}

const OneLine = ({ label, onChange }: { label: string; onChange: (text: string) => void }) => (
  <Field label={label}>
    {(control) => <Input {...control} autoFocus width="100%" onChange={(event) => onChange(event.target.value)} />}
  </Field>
);

/** To one agent, to whoever is next on a roster, or to whom the ladder says. */
export function HandTo({
  vocabulary,
  without = [],
  onChange,
}: {
  vocabulary: VocabularyView;
  without?: string[];
  onChange: OnChange;
}) {
  const [value, setValue] = useState<string | null>(null);
  const options: [string, string, BulkActionInput][] = [
    ['ladder', 'By the ladder, as if each came in now', { kind: 'hand_on', roster_id: null }],
    ...(vocabulary.names.roster ?? []).map(({ value: roster_id, name }): [string, string, BulkActionInput] => [
      `roster ${roster_id}`,
      `${name}, in turn`,
      { kind: 'hand_on', roster_id },
    ]),
    ...(vocabulary.names.person ?? [])
      .filter((one) => !one.left && !without.includes(one.value))
      .map(({ value: owner_id, name }): [string, string, BulkActionInput] => [owner_id, name, { kind: 'owner', owner_id }]),
  ];
  return (
    <Stack as="fieldset" gap={0.5} scroll={260}>
      <Text as="legend" unseen>
        Recipients
      </Text>
      {options.map(([key, name, change]) => (
        <Radio
          key={key}
          name="one"
          checked={value === key}
          onChange={() => {
            setValue(key);
            onChange(change);
          }}
        >
          {name}
        </Radio>
      ))}
    </Stack>
  );
}

function OneOf({
  label,
  of,
  vocabulary,
  none,
  without = [],
  onPick,
}: {
  label: string;
  of: 'stage' | 'horizon' | 'campaign';
  vocabulary: VocabularyView;
  none?: string;
  without?: string[];
  onPick: (value: string) => void;
}) {
  const [value, setValue] = useState<string | null>(null);
  const options = (vocabulary.names[of] ?? []).filter((one) => !without.includes(one.value));
  return (
    <Stack as="fieldset" gap={0.5} scroll={260}>
      <Text as="legend" unseen>
        {label}
      </Text>
      {[...options, ...(none ? [{ value: '', name: none }] : [])].map((one) => (
        <Radio
          key={one.value}
          name="one"
          checked={value === one.value}
          onChange={() => {
            setValue(one.value);
            onPick(one.value);
          }}
        >
          {one.name}
        </Radio>
      ))}
      {!options.length && (
        <Text as="p" tone="soft" small>
          None yet.
        </Text>
      )}
    </Stack>
  );
}

/** What is added is any tag; what is removed, one that somebody of them has. */
function Tags({ selection, onChange }: { selection: ContactSelection; onChange: OnChange }) {
  const { data: had } = useQuery({
    queryKey: ['change-tags', JSON.stringify(selection)],
    queryFn: async () => (await ask('POST /changes/tags', { body: { selection } })).items,
  });
  const [add, setAdd] = useState<string[]>([]);
  const [remove, setRemove] = useState<string[]>([]);
  const tell = (plus: string[], minus: string[]) =>
    onChange(plus.length + minus.length ? { kind: 'tags', add: plus, remove: minus } : null);
  return (
    <>
      <TagPicker
        autoFocus
        label="Add tags"
        chosen={add}
        onChange={(ids) => {
          setAdd(ids);
          tell(ids, remove);
        }}
        mayMake
      />
      <TagPicker
        label="Remove tags"
        only={new Map(had?.map(({ id, people }) => [id, people]))}
        chosen={remove}
        onChange={(ids) => {
          setRemove(ids);
          tell(add, ids);
        }}
      />
    </>
  );
}

function Roles({ onChange }: { onChange: OnChange }) {
  const [wanted, setWanted] = useState<Partial<Record<ContactRole, 'add' | 'remove'>>>({});
  const pick = (role: ContactRole, what: string) => {
    const next = { ...wanted };
    if (what === 'add' || what === 'remove') next[role] = what;
    else delete next[role];
    setWanted(next);
    const of = (way: string) => CONTACT_ROLES.filter((key) => next[key] === way);
    onChange(Object.keys(next).length ? { kind: 'roles', add: of('add'), remove: of('remove') } : null);
  };
  return (
    <Stack gap={0.5} scroll={260}>
      {CONTACT_ROLES.map((role) => (
        <Row as="label" key={role}>
          <Select value={wanted[role] ?? ''} onChange={(event) => pick(role, event.target.value)} aria-label={ROLE_NAMES[role]}>
            <option value="">no change</option>
            <option value="add">becomes</option>
            <option value="remove">is no longer</option>
          </Select>{' '}
          {ROLE_NAMES[role]}
        </Row>
      ))}
    </Stack>
  );
}

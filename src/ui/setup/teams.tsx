'use client';
/** Teams: who works together, and who leads them and sees their contacts. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { TeamView, UserView } from '@/core/accounts';
import type { Jsoned } from '@/core/shared';
import { ask, freshKey } from '../primitives';
import {
  Button,
  CheckboxesFormField,
  FormDialog,
  ListLine,
  SelectFormField,
  Text,
  TextFormField,
  useSaveForm,
  useToast,
} from '../kit';
import { Block } from './block';

const TEAMS = ['teams'];

export function Teams({ users }: { users: Jsoned<UserView>[] }) {
  const queries = useQueryClient();
  const toast = useToast();
  const { data: teams } = useQuery({ queryKey: TEAMS, queryFn: async () => (await ask('GET /teams')).items });
  const [editing, setEditing] = useState<TeamView | 'new' | null>(null);
  const heard = () => void queries.invalidateQueries({ queryKey: TEAMS });
  const remove = useMutation({
    mutationFn: (id: string) => ask('DELETE /teams/{id}', { params: { id } }),
    onSuccess: heard,
    onError: toast.fail,
  });
  return (
    <Block title="Teams" note="An agent who leads a team sees the contacts of everyone on it.">
      {teams?.map((team) => (
        <ListLine
          key={team.id}
          end={
            <>
              <Button size="tiny" aria-label={`${team.name}: edit`} onClick={() => setEditing(team)}>
                Edit
              </Button>
              <Button size="tiny" aria-label={`${team.name}: remove`} onClick={() => remove.mutate(team.id)}>
                Remove
              </Button>
            </>
          }
        >
          <Text strong>{team.name}</Text>
          <Text tone="soft" small block>
            {team.lead ? `Led by ${team.lead.name}` : 'Nobody leads it'}
            {team.members.length > 0 && ` · ${team.members.map(({ name }) => name).join(', ')}`}
          </Text>
        </ListLine>
      ))}
      <div>
        <Button size="small" onClick={() => setEditing('new')}>
          Add a team
        </Button>
      </div>
      {editing && (
        <TeamDialog
          team={editing === 'new' ? null : editing}
          users={users.filter(({ role }) => role !== 'lender')}
          onClose={() => setEditing(null)}
          onSaved={() => {
            setEditing(null);
            heard();
          }}
        />
      )}
    </Block>
  );
}

function TeamDialog({
  team,
  users,
  onClose,
  onSaved,
}: {
  team: TeamView | null;
  users: Jsoned<UserView>[];
  onClose: () => void;
  onSaved: () => void;
}) {
  const form = useSaveForm({
    values: { name: team?.name ?? '', lead_id: team?.lead?.id ?? '', member_ids: team?.members.map(({ id }) => id) ?? [] },
    save: ({ name, lead_id, member_ids }) => {
      const body = { name, lead_id: lead_id || null, member_ids };
      return team ? ask('PUT /teams/{id}', { params: { id: team.id }, body }) : ask('POST /teams', { body, headers: freshKey() });
    },
    onSaved,
  });
  const name = form.form.watch('name');
  return (
    <FormDialog title={team ? team.name : 'Add a team'} form={form} does="Save" may={name.trim() !== ''} onClose={onClose}>
      <TextFormField name="name" label="Name" maxLength={60} autoFocus={!team} />
      <SelectFormField name="lead_id" label="Led by">
        <option value="">nobody</option>
        {users.map((user) => (
          <option key={user.id} value={user.id}>
            {user.name}
          </option>
        ))}
      </SelectFormField>
      <CheckboxesFormField
        name="member_ids"
        label="On the team"
        options={users.map((user) => ({ value: user.id, label: user.name }))}
      />
    </FormDialog>
  );
}

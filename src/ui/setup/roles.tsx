'use client';
/** What each role may do, as one table; roles of the brokerage's own are added, changed, and removed once nobody has them. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import {
  CHOSEN_RIGHT_KEYS,
  CHOSEN_RIGHTS,
  CUSTOM_BASES,
  RIGHTS,
  ROLES,
  type ChosenRight,
  type CustomRoleView,
} from '@/core/accounts';
import { capitalized } from '@/core/shared';
import { ask, freshKey } from '../primitives';
import {
  Button,
  CheckboxesFormField,
  FormDialog,
  ListLine,
  SelectFormField,
  Table,
  Text,
  TextFormField,
  useSaveForm,
  useToast,
} from '../kit';
import { Block } from './block';

const CUSTOM_ROLES = ['custom-roles'];
export const useCustomRoles = () =>
  useQuery({ queryKey: CUSTOM_ROLES, queryFn: async () => (await ask('GET /custom-roles')).items });

export function Roles() {
  const queries = useQueryClient();
  const toast = useToast();
  const { data: custom = [] } = useCustomRoles();
  const [editing, setEditing] = useState<CustomRoleView | 'new' | null>(null);
  const heard = () => void queries.invalidateQueries({ queryKey: CUSTOM_ROLES });
  const remove = useMutation({
    mutationFn: (id: string) => ask('DELETE /custom-roles/{id}', { params: { id } }),
    onSuccess: heard,
    onError: toast.fail,
  });
  const columns = [
    ...ROLES.map((role) => ({ key: role, name: capitalized(role), has: (right: ChosenRight) => RIGHTS[role][right] })),
    ...custom.map(({ id, name, rights }) => ({ key: id, name, has: (right: ChosenRight) => rights.includes(right) })),
  ];
  return (
    <Block
      title="Roles"
      note="What each role may do. Agents work with their own contacts, callers with their office’s, lenders only look at the contacts they’re attached to."
    >
      <Table aria-label="Rights by role">
        <thead>
          <tr>
            <th scope="col">
              <Text unseen>Right</Text>
            </th>
            {columns.map(({ key, name }) => (
              <th key={key} scope="col">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {CHOSEN_RIGHT_KEYS.map((right) => (
            <tr key={right}>
              <th scope="row">{CHOSEN_RIGHTS[right]}</th>
              {columns.map(({ key, has }) => (
                <td key={key}>{has(right) ? 'yes' : <Text tone="soft">no</Text>}</td>
              ))}
            </tr>
          ))}
          <tr>
            <th scope="row">Setup, campaigns, templates of the team</th>
            {columns.map(({ key }) => (
              <td key={key}>{key === 'owner' || key === 'admin' ? 'yes' : <Text tone="soft">no</Text>}</td>
            ))}
          </tr>
        </tbody>
      </Table>
      {custom.map((role) => (
        <ListLine
          key={role.id}
          end={
            <>
              <Button size="tiny" aria-label={`${role.name}: edit`} onClick={() => setEditing(role)}>
                Edit
              </Button>
              <Button size="tiny" aria-label={`${role.name}: remove`} onClick={() => remove.mutate(role.id)}>
                Remove
              </Button>
            </>
          }
        >
          {role.name}{' '}
          <Text tone="soft" small>
            begins as {role.base}
          </Text>
        </ListLine>
      ))}
      <div>
        <Button size="small" onClick={() => setEditing('new')}>
          Add a role
        </Button>
      </div>
      {editing && (
        <RoleDialog
          role={editing === 'new' ? null : editing}
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

/** What the role that it begins as may do of it. */
const rightsOf = (base: CustomRoleView['base']): ChosenRight[] => CHOSEN_RIGHT_KEYS.filter((right) => RIGHTS[base][right]);

function RoleDialog({ role, onClose, onSaved }: { role: CustomRoleView | null; onClose: () => void; onSaved: () => void }) {
  const form = useSaveForm({
    values: { name: role?.name ?? '', base: role?.base ?? 'agent', rights: role?.rights ?? rightsOf('agent') },
    save: ({ name, base, rights }) =>
      role
        ? ask('PATCH /custom-roles/{id}', { params: { id: role.id }, body: { name, rights } })
        : ask('POST /custom-roles', { body: { name, base, rights }, headers: freshKey() }),
    onSaved,
  });
  const name = form.form.watch('name');
  return (
    <FormDialog title={role ? role.name : 'Add a role'} form={form} does="Save" may={name.trim() !== ''} onClose={onClose}>
      <TextFormField name="name" label="Name" maxLength={60} autoFocus={!role} />
      <SelectFormField name="base" label="Begins as" disabled={role !== null}>
        {CUSTOM_BASES.map((base) => (
          <option key={base} value={base}>
            {base === 'agent' ? 'Agent: sees their own contacts' : 'Caller: sees their office’s contacts'}
          </option>
        ))}
      </SelectFormField>
      <CheckboxesFormField
        name="rights"
        label="May"
        options={CHOSEN_RIGHT_KEYS.map((right) => ({ value: right, label: CHOSEN_RIGHTS[right] }))}
      />
    </FormDialog>
  );
}

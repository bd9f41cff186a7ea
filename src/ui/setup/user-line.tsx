'use client';
/** A user in the list, with what those who run the office change of them: role and office, ownership. */
import { useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { Role, UserView } from '@/core/accounts';
import { capitalized, type Jsoned } from '@/core/shared';
import { ask, freshKey } from '../primitives';
import { Button, Dialog, Face, FormDialog, ListLine, Row, SelectFormField, Text, useSaveForm, useToast } from '../kit';
import { ProfileDialog } from '../accounts';
import { OfficeFormField } from './office-field';
import { useCustomRoles } from './roles';

type Person = Jsoned<UserView>;
/** Who looks at the list. */
export interface Viewer {
  id: string;
  role: Role;
}

const CHANGED_ROLES: readonly Role[] = ['admin', 'agent', 'caller'];

export function UserLine({ user, me, onEdit, onLeave }: { user: Person; me: Viewer; onEdit: () => void; onLeave: () => void }) {
  return (
    <ListLine
      end={
        <>
          <Text tone="soft">{user.custom_role?.name ?? user.role}</Text>
          <Button size="tiny" aria-label={`${user.name}: edit`} onClick={onEdit}>
            Edit
          </Button>
          {user.role !== 'owner' && user.id !== me.id && (
            <Button size="tiny" aria-label={`${user.name}: deactivate`} onClick={onLeave}>
              Deactivate…
            </Button>
          )}
        </>
      }
    >
      <Row wrap={false}>
        <Face name={user.name} src={user.photo_id && `/pictures/${user.photo_id}`} />
        <span>
          {user.name}{' '}
          <Text tone="soft" small>
            {[user.title, user.office].filter(Boolean).join(', ')}
          </Text>
        </span>
      </Row>
    </ListLine>
  );
}

/** Role and office of a user; to the owner, ownership too. */
export function UserDialog({ user, me, onClose }: { user: Person; me: Viewer; onClose: () => void }) {
  const queries = useQueryClient();
  const toast = useToast();
  const [handing, setHanding] = useState(false);
  const [profile, setProfile] = useState(false);
  const roles = CHANGED_ROLES.includes(user.role) && user.id !== me.id ? CHANGED_ROLES : [user.role];
  const { data: custom = [] } = useCustomRoles();
  const form = useSaveForm({
    values: { role: user.custom_role ? `custom ${user.custom_role.id}` : user.role, office_id: user.office_id ?? '' },
    save: ({ role: chosen, office_id }) => {
      const own = custom.find(({ id }) => chosen === `custom ${id}`);
      const role = own?.base ?? (chosen as Role);
      return ask('PATCH /users/{id}', {
        params: { id: user.id },
        body: {
          office_id: office_id || null,
          ...(role !== user.role && { role }),
          ...((own?.id ?? null) !== (user.custom_role?.id ?? null) && { custom_role_id: own?.id ?? null }),
        },
      });
    },
    onSaved: () => {
      toast.tell('Saved.');
      void queries.invalidateQueries({ queryKey: ['users'] });
      onClose();
    },
  });
  const reset = useMutation({
    mutationFn: () => ask('DELETE /users/{id}/second-step', { params: { id: user.id } }),
    onSuccess: () => {
      toast.tell(`${user.name} logs in with their password now, and can set up two steps again.`);
      void queries.invalidateQueries({ queryKey: ['users'] });
      onClose();
    },
    onError: toast.fail,
  });
  const logOut = useMutation({
    mutationFn: () => ask('DELETE /users/{id}/sessions', { params: { id: user.id } }),
    onSuccess: ({ ended }) => {
      toast.tell(ended ? `${user.name} is logged out everywhere.` : `${user.name} wasn’t logged in.`);
      onClose();
    },
    onError: toast.fail,
  });
  if (profile) return <ProfileDialog userId={user.id} lender={user.role === 'lender'} onClose={onClose} />;
  if (handing) return <TransferDialog user={user} onClose={onClose} />;
  return (
    <FormDialog title={user.name} form={form} does="Save" onClose={onClose}>
      <Text as="p" tone="soft">
        {user.email}
      </Text>
      <SelectFormField name="role" label="Role" disabled={roles.length === 1}>
        {roles.map((role) => (
          <option key={role} value={role}>
            {capitalized(role)}
          </option>
        ))}
        {roles.length > 1 &&
          custom.map(({ id, name }) => (
            <option key={id} value={`custom ${id}`}>
              {name}
            </option>
          ))}
      </SelectFormField>
      <OfficeFormField />
      <div>
        <Button look="text" onClick={() => setProfile(true)}>
          Profile of {user.name}…
        </Button>
      </div>
      {user.role !== 'owner' && user.id !== me.id && (
        <div>
          <Button look="text" disabled={logOut.isPending} onClick={() => logOut.mutate()}>
            Log out everywhere
          </Button>
          {user.two_step && (
            <Button look="text" disabled={reset.isPending} onClick={() => reset.mutate()}>
              Reset two-step login (lost phone)
            </Button>
          )}
        </div>
      )}
      {me.role === 'owner' && user.role === 'admin' && (
        <div>
          <Button look="text" onClick={() => setHanding(true)}>
            Transfer ownership to {user.name}…
          </Button>
        </div>
      )}
    </FormDialog>
  );
}

function TransferDialog({ user, onClose }: { user: Person; onClose: () => void }) {
  const queries = useQueryClient();
  const toast = useToast();
  const transfer = useMutation({
    mutationFn: () => ask('POST /users/{id}/ownership', { params: { id: user.id }, headers: freshKey() }),
    onSuccess: () => {
      toast.tell(`${user.name} owns the brokerage now. You’re an admin.`);
      void queries.invalidateQueries();
      onClose();
    },
  });
  return (
    <Dialog
      title={`Transfer ownership to ${user.name}?`}
      onClose={onClose}
      onSubmit={() => transfer.mutate()}
      does="Transfer ownership"
      busy={transfer.isPending}
      error={transfer.error}
    >
      <p>They’ll own the brokerage, and you’ll be an admin. Only they can give it back.</p>
    </Dialog>
  );
}

'use client';
/** Who works here, who is invited; somebody leaves, and their people are handed on. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { UserView } from '@/core/accounts';
import type { BulkActionInput } from '@/core/changes';
import type { Jsoned } from '@/core/shared';
import { HandTo, useChangeWatch } from '../changes';
import { ask, freshKey, NO_WORDS, useFormat, useVocabulary } from '../primitives';
import { Block } from './block';
import { Invitations } from './invitations';
import { UserDialog, UserLine, type Viewer } from './user-line';
import { Button, Dialog, ListLine, Text, useToast } from '../kit';

type Person = Jsoned<UserView>;

export function Users({ users: first, me }: { users: Person[]; me: Viewer }) {
  const queries = useQueryClient();
  const toast = useToast();
  const { data: users } = useQuery({
    queryKey: ['users'],
    queryFn: async () => (await ask('GET /users')).items,
    initialData: first,
  });
  const { data: left = [] } = useQuery({
    queryKey: ['users', 'left'],
    queryFn: async () => (await ask('GET /users', { query: { left: true } })).items,
  });
  const [leaving, setLeaving] = useState<Person | null>(null);
  const [editing, setEditing] = useState<Person | null>(null);

  const back = useMutation({
    mutationFn: (id: string) => ask('POST /users/{id}/reactivate', { params: { id } }),
    onSuccess: () => {
      toast.tell('They can log in again. Their contacts stay where they are.');
      void queries.invalidateQueries({ queryKey: ['users'] });
    },
    onError: toast.fail,
  });
  return (
    <Block title="Users" note="Everyone who works here, and their role.">
      {users.map((person) => (
        <UserLine key={person.id} user={person} me={me} onEdit={() => setEditing(person)} onLeave={() => setLeaving(person)} />
      ))}
      {left.map((person) => (
        <ListLine
          key={person.id}
          end={
            <>
              <Text tone="soft">deactivated</Text>
              <Button size="tiny" aria-label={`${person.name} reactivated`} onClick={() => back.mutate(person.id)}>
                Reactivate
              </Button>
            </>
          }
        >
          <Text tone="soft">{person.name}</Text>
        </ListLine>
      ))}
      <Invitations />
      {editing && <UserDialog key={editing.id} user={editing} me={me} onClose={() => setEditing(null)} />}
      {leaving && <LeaveDialog key={leaving.id} user={leaving} onClose={() => setLeaving(null)} />}
    </Block>
  );
}

function LeaveDialog({ user: person, onClose }: { user: Person; onClose: () => void }) {
  const [change, setChange] = useState<BulkActionInput | null>(null);
  const { data: vocabulary = NO_WORDS } = useVocabulary();
  const { watch } = useChangeWatch();
  const queries = useQueryClient();
  const format = useFormat();
  const theirs = JSON.stringify({ on: 'owner', how: 'any', of: [person.id] });
  const { data } = useQuery({
    queryKey: ['contacts', 'count', `where=${theirs}`],
    queryFn: () => ask('GET /contacts/count', { query: { where: theirs } }),
  });
  const leave = useMutation({
    mutationFn: () =>
      ask('POST /users/{id}/deactivate', { params: { id: person.id }, body: { change: change! }, headers: freshKey() }),
    onSuccess: ({ id }) => {
      watch(id);
      void queries.invalidateQueries({ queryKey: ['users'] });
      onClose();
    },
  });
  return (
    <Dialog
      title={`Deactivate ${person.name}`}
      onClose={onClose}
      onSubmit={() => leave.mutate()}
      does="Hand off and deactivate"
      busy={leave.isPending}
      may={change !== null}
      error={leave.error}
      note={
        <Text tone="soft" small>
          You can undo the hand-off.
        </Text>
      }
    >
      <p>
        They can no longer log in, and leads offered to them move on right away. Their{' '}
        {data && <b>{format.number(data.count)}</b>} contacts are handed off:
      </p>
      <HandTo vocabulary={vocabulary} without={[person.id]} onChange={setChange} />
    </Dialog>
  );
}

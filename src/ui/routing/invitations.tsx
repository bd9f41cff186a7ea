'use client';
/** Rosters to which I am invited. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask } from '../primitives';
import { Button, Callout, Row, useToast } from '../kit';

export function Invitations() {
  const queries = useQueryClient();
  const toast = useToast();
  const { data = [] } = useQuery({
    queryKey: ['invitations'],
    queryFn: async () => (await ask('GET /invitations')).items,
  });
  const answer = useMutation({
    mutationFn: ({ roster_id, accept }: { roster_id: string; accept: boolean }) =>
      ask('PUT /invitations/{id}', { params: { id: roster_id }, body: { accept } }),
    onSuccess: (_, { accept }) => {
      toast.tell(accept ? 'You’re on the roster.' : 'You declined.');
      void queries.invalidateQueries({ queryKey: ['invitations'] });
      void queries.invalidateQueries({ queryKey: ['ladder'] });
    },
    onError: toast.fail,
  });
  return data.map(({ roster_id, name }) => (
    <Callout as="section" key={roster_id} aria-label={`Invitation to ${name}`}>
      You’re invited to take leads on “{name}”.
      <Row above={1}>
        <Button look="main" onClick={() => answer.mutate({ roster_id, accept: true })}>
          Accept
        </Button>
        <Button onClick={() => answer.mutate({ roster_id, accept: false })}>Decline</Button>
      </Row>
    </Callout>
  ));
}

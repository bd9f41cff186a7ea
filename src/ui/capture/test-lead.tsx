'use client';
/** A test lead: by which lead source it comes, and then who got it and why. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask, freshKey } from '../primitives';
import { Callout, Dialog, ErrorMessage, Field, LinkButton, Select, Stack, Text } from '../kit';

export function TestLeadDialog({ onClose }: { onClose: () => void }) {
  const queries = useQueryClient();
  const [chosen, setChosen] = useState('');
  const { data: doors = [] } = useQuery({ queryKey: ['doors'], queryFn: async () => (await ask('GET /doors')).items });
  const own = doors.filter(({ address, kind }) => address !== null || kind === 'page');
  const door = chosen || own[0]?.id;
  const send = useMutation({
    mutationFn: () => ask('POST /doors/{id}/test', { params: { id: door! }, headers: freshKey() }),
    onSuccess: () => queries.invalidateQueries(),
  });
  const sent = send.data;
  return (
    <Dialog
      title="Send a test lead"
      onClose={onClose}
      onSubmit={() => send.mutate()}
      does={sent ? 'Send another' : 'Send test lead'}
      busy={send.isPending}
      may={door !== undefined}
      note={
        <Text tone="soft" small>
          It’s tagged “test”. Delete it when you’re done.
        </Text>
      }
    >
      <Stack gap={4}>
        <Field label="Lead source" help="The lead arrives as if this source had sent it.">
          {(control) => (
            <Select {...control} width="100%" value={door ?? ''} onChange={({ target }) => setChosen(target.value)}>
              {own.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <ErrorMessage error={send.error} />
        {sent && (
          <Callout role="status" first>
            <Text strong>{sent.routing.agent ? `It went to ${sent.routing.agent.name}.` : 'It’s being offered now.'}</Text>{' '}
            {sent.routing.because}
            <Text block>
              <LinkButton look="link" href={`/contacts?person=${sent.contact.id}`}>
                Open the lead
              </LinkButton>
            </Text>
          </Callout>
        )}
      </Stack>
    </Dialog>
  );
}

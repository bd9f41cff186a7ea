'use client';
/** Whom a contact was merged with, and the way back. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type Jsoned } from '@/core/shared';
import type { MergeView } from '@/core/duplicates';
import { ask, freshKey, useZone, useFormat } from '../primitives';
import { Button, ListLine, Section, Text, useToast } from '../kit';

type Merge = Jsoned<MergeView>;

export function Merges({ contactId }: { contactId: string }) {
  const zone = useZone();
  const format = useFormat();
  const queries = useQueryClient();
  const toast = useToast();
  const { data: merges } = useQuery({
    queryKey: ['contact', contactId, 'merges'],
    queryFn: async () => (await ask('GET /contacts/{id}/merges', { params: { id: contactId } })).items,
  });
  const apart = useMutation({
    mutationFn: ({ id }: Merge) => ask('POST /merges/{id}/undo', { params: { id }, headers: freshKey() }),
    onSuccess: (_, { gone }) => {
      toast.tell(`${gone} is a separate contact again, with everything that was theirs.`);
      void queries.invalidateQueries();
    },
    onError: toast.fail,
  });
  if (!merges?.length) return null;
  return (
    <Section title="Merged with">
      {merges.map((merge) => (
        <ListLine
          key={merge.id}
          end={
            <Button size="tiny" disabled={apart.isPending} onClick={() => apart.mutate(merge)}>
              Separate
            </Button>
          }
        >
          {merge.gone}{' '}
          <Text tone="soft" small>
            {format.shortDay(new Date(merge.at), zone)}
            {merge.by && `, ${merge.by}`}
          </Text>
        </ListLine>
      ))}
    </Section>
  );
}

'use client';
/** One person or two: whom a contact was merged with and the way back, merging with somebody chosen by hand, splitting one that holds two. */
import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type Jsoned } from '@/core/shared';
import type { MergeView } from '@/core/duplicates';
import { ask, freshKey, useZone, useFormat } from '../primitives';
import { Button, ListLine, Row, Section, Text, useToast } from '../kit';
import { FindContact } from './find-contact';
import { SplitDialog } from './split-dialog';
import { nameOf, type ContactInFull } from './types';

type Merge = Jsoned<MergeView>;

export function Merges({ contact }: { contact: ContactInFull }) {
  const contactId = contact.id;
  const [open, setOpen] = useState<'merge' | 'split' | null>(null);
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
  const together = useMutation({
    mutationFn: (other: { id: string; name: string }) =>
      ask('POST /contacts/{id}/merge', {
        params: { id: contactId },
        body: { other_id: other.id, choices: {} },
        headers: freshKey(),
      }),
    onSuccess: ({ merge_id }, other) => {
      setOpen(null);
      void queries.invalidateQueries();
      toast.tell(`${other.name} merged into ${nameOf(contact)}.`, () =>
        apart.mutate({ id: merge_id, gone: other.name, at: '', by: null }),
      );
    },
    onError: toast.fail,
  });
  return (
    <Section
      title="Same person?"
      end={
        <Row gap={1}>
          <Button size="tiny" onClick={() => setOpen('merge')}>
            Merge
          </Button>
          <Button size="tiny" onClick={() => setOpen('split')}>
            Split
          </Button>
        </Row>
      }
    >
      {open === 'split' && <SplitDialog contact={contact} onClose={() => setOpen(null)} />}
      {open === 'merge' && (
        <FindContact label="Merge with" without={[contactId]} onPick={together.mutate} onClose={() => setOpen(null)} />
      )}
      {!merges?.length && open !== 'merge' && (
        <Text tone="soft" small>
          Merge a duplicate into this contact, or split it if it holds two people.
        </Text>
      )}
      {merges?.map((merge) => (
        <ListLine
          key={merge.id}
          end={
            <Button size="tiny" disabled={apart.isPending} onClick={() => apart.mutate(merge)}>
              Separate
            </Button>
          }
        >
          Merged with {merge.gone}{' '}
          <Text tone="soft" small>
            {format.shortDay(new Date(merge.at), zone)}
            {merge.by && `, ${merge.by}`}
          </Text>
        </ListLine>
      ))}
    </Section>
  );
}

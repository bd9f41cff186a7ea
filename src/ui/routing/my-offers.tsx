'use client';
/** Leads offered to me: over every area as they come, each with its time and the two answers; the commons on the page of Routing. */
import { useEffect } from 'react';
import { useRouter } from 'next/navigation';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask, Problem, useShortcuts } from '../primitives';
import type { MyOffer } from './shapes';
import { Button, Floating, Kbd, Left, Row, Section, Stack, Text, useToast } from '../kit';

export const useMyOffers = () =>
  useQuery({
    queryKey: ['offers', 'mine'],
    queryFn: async () => (await ask('GET /offers/mine')).items,
    refetchInterval: 60_000,
  });

/** Leads that were taken on this page: that they are one's own is no news when it comes live. */
const claimed = new Set<string>();
export const wasClaimedHere = (contactId: string | undefined): boolean => contactId !== undefined && claimed.has(contactId);

function useAnswers() {
  const queries = useQueryClient();
  const toast = useToast();
  const router = useRouter();
  const again = () => void queries.invalidateQueries({ queryKey: ['offers'] });
  const accept = useMutation({
    mutationFn: (id: string) => ask('POST /offers/{id}/accept', { params: { id } }),
    onSuccess: ({ contact_id, name }) => {
      claimed.add(contact_id);
      toast.tell(`${name || 'The lead'} is yours.`);
      router.push(`/contacts?contact=${contact_id}`);
    },
    onError: (error) =>
      toast.fail(error instanceof Problem && error.code === 'not_found' ? new Error('This lead is no longer available.') : error),
    onSettled: again,
  });
  const decline = useMutation({
    mutationFn: (id: string) => ask('POST /offers/{id}/decline', { params: { id } }),
    onSuccess: () => toast.tell('You passed on this lead.'),
    onError: toast.fail,
    onSettled: again,
  });
  return { accept, decline, busy: accept.isPending || decline.isPending };
}

/** Over whatever area one is in. `a` takes the first. */
export function OffersAbove({ onOffered }: { onOffered: (offer: MyOffer) => void }) {
  const { data = [] } = useMyOffers();
  const offers = data.filter(({ commons }) => !commons);
  const answers = useAnswers();
  const first = offers[0];
  useShortcuts('offer', { take: () => first && !answers.busy && answers.accept.mutate(first.id) }, Boolean(first));
  useEffect(() => {
    if (first) onOffered(first);
  }, [first, onOffered]);
  if (!first) return null;
  return (
    <Floating aria-label="Leads offered to you" aria-live="polite">
      {offers.slice(0, 3).map((offer, at) => (
        <OneOffer key={offer.id} offer={offer} first={at === 0} answers={answers} />
      ))}
      {offers.length > 3 && (
        <Text tone="soft" small>
          and {offers.length - 3} more in Routing
        </Text>
      )}
    </Floating>
  );
}

/** On the page of Routing: all of them, the commons too. */
export function OfferedToMe() {
  const { data = [] } = useMyOffers();
  const answers = useAnswers();
  const commons = data.filter((offer) => offer.commons);
  if (!commons.length) return null;
  return (
    <Section title="In the commons: first to take it gets it" end={<Text strong>{commons.length}</Text>}>
      {commons.map((offer) => (
        <OneOffer key={offer.id} offer={offer} first={false} answers={answers} />
      ))}
    </Section>
  );
}

function OneOffer({ offer, first, answers }: { offer: MyOffer; first: boolean; answers: ReturnType<typeof useAnswers> }) {
  const about = [offer.place, offer.source && `from ${offer.source}`].filter(Boolean).join(', ');
  return (
    <Stack gap={1}>
      <Row spread>
        <Text strong dir="auto">
          {offer.name ?? 'A lead. You’ll see the name when you take it'}
        </Text>
        {offer.ends_at && <Left until={offer.ends_at} />}
      </Row>
      <Text small>
        {about && <Text tone="soft">{about}. </Text>}
        <span dir="auto">{offer.ask}</span>
      </Text>
      <Text tone="soft" small>
        {offer.roster}
        {offer.others > 0 && `, offered to ${offer.others} more`}
      </Text>
      <Row>
        <Button look="main" disabled={answers.busy} onClick={() => answers.accept.mutate(offer.id)}>
          Take lead {first && <Kbd>a</Kbd>}
        </Button>
        {!offer.commons && (
          <Button disabled={answers.busy} onClick={() => answers.decline.mutate(offer.id)}>
            Pass
          </Button>
        )}
      </Row>
    </Stack>
  );
}

'use client';
/** Leads offered to me: over every area as they come, each with its time and the two answers; the commons on the page of Routing. */
import { useRouter } from 'next/navigation';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask, Left, Problem, useKeys } from '../primitives';
import type { MyOffer } from './shapes';
import { Button, useToast } from '../kit';

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
    onSuccess: () => toast.tell('Passed on.'),
    onError: toast.fail,
    onSettled: again,
  });
  return { accept, decline, busy: accept.isPending || decline.isPending };
}

/** Over whatever area one is in. `a` takes the first. */
export function OffersAbove() {
  const { data = [] } = useMyOffers();
  const offers = data.filter(({ commons }) => !commons);
  const answers = useAnswers();
  const first = offers[0];
  useKeys({ a: () => first && !answers.busy && answers.accept.mutate(first.id) }, Boolean(first));
  if (!first) return null;
  return (
    <aside className="offers-above" aria-label="Leads offered to you" aria-live="polite">
      {offers.slice(0, 3).map((offer, at) => (
        <OneOffer key={offer.id} offer={offer} first={at === 0} answers={answers} />
      ))}
      {offers.length > 3 && <p className="soft small">and {offers.length - 3} more in Routing</p>}
    </aside>
  );
}

/** On the page of Routing: all of them, the commons too. */
export function OfferedToMe() {
  const { data = [] } = useMyOffers();
  const answers = useAnswers();
  const commons = data.filter((offer) => offer.commons);
  if (!commons.length) return null;
  return (
    <section aria-label="The commons">
      <div className="group" style={{ marginTop: 0 }}>
        <h2>In the commons: first to take it gets it</h2>
        <span className="strong">{commons.length}</span>
      </div>
      {commons.map((offer) => (
        <OneOffer key={offer.id} offer={offer} first={false} answers={answers} />
      ))}
    </section>
  );
}

function OneOffer({ offer, first, answers }: { offer: MyOffer; first: boolean; answers: ReturnType<typeof useAnswers> }) {
  const about = [offer.place, offer.source && `from ${offer.source}`].filter(Boolean).join(', ');
  return (
    <div className="offer">
      <div className="beside" style={{ justifyContent: 'space-between', marginTop: 0 }}>
        <b dir="auto">{offer.name ?? 'A lead. You’ll see the name when you take it'}</b>
        {offer.ends_at && <Left until={offer.ends_at} />}
      </div>
      <p className="small">
        {about && <span className="soft">{about}. </span>}
        <span dir="auto">{offer.ask}</span>
      </p>
      <p className="soft small">
        {offer.roster}
        {offer.others > 0 && `, offered to ${offer.others} more`}
      </p>
      <div className="beside">
        <Button look="main" disabled={answers.busy} onClick={() => answers.accept.mutate(offer.id)}>
          Take lead {first && <kbd>a</kbd>}
        </Button>
        {!offer.commons && (
          <Button disabled={answers.busy} onClick={() => answers.decline.mutate(offer.id)}>
            Pass
          </Button>
        )}
      </div>
    </div>
  );
}

'use client';
/** Leads that wait: offered and not yet accepted, with what is left of their window; and given, without a first try. */
import type { Offer } from './shapes';
import { useFormat } from '../primitives';
import { Heading, Left, LinkButton, Row, Text, Timer } from '../kit';

const SHOWN = 8;

export function WaitingOffers({ offers, total }: { offers: Offer[]; total: number }) {
  const format = useFormat();
  const offered = offers.filter(({ agent }) => !agent);
  const given = offers.filter(({ agent }) => agent);
  return (
    <section aria-label="Waiting">
      {offered.length > 0 && (
        <>
          <Row ruled="head" spread>
            <Heading>Offered, not accepted yet</Heading>
            <Text tone="late" strong>
              {format.number(offered.length)}
            </Text>
          </Row>
          {offered.slice(0, SHOWN).map((offer) => (
            <OfferRow key={offer.id} offer={offer} words={offer.commons ? 'in the commons' : `offered to ${few(offer.to)}`}>
              {offer.ends_at ? <Left until={offer.ends_at} /> : <Timer since={offer.offered_at} />}
            </OfferRow>
          ))}
        </>
      )}
      <Row ruled="head" spread>
        <Heading>Waiting for a first attempt</Heading>
        <Text tone="late" strong>
          {format.number(total - offered.length)}
        </Text>
      </Row>
      {given.length === 0 && (
        <Text as="p" tone="soft" small>
          Every lead has been attempted.
        </Text>
      )}
      {given.slice(0, SHOWN).map((offer) => (
        <OfferRow key={offer.id} offer={offer} words={`with ${offer.agent!.name}`}>
          <Timer since={offer.offered_at} />
        </OfferRow>
      ))}
      {total - offered.length > SHOWN && (
        <LinkButton look="link" href="/contacts?stage=new">
          All new leads
        </LinkButton>
      )}
    </section>
  );
}

const few = (names: readonly string[]): string => (names.length > 2 ? `${names.length} people` : names.join(' and '));

function OfferRow({ offer, words, children }: { offer: Offer; words: string; children: React.ReactNode }) {
  return (
    <Row ruled spread wrap={false} gap={3}>
      <span>
        <LinkButton look="link" href={`/contacts?contact=${offer.contact_id}`}>
          <Text strong>{offer.name.trim() || 'No name'}</Text>
        </LinkButton>
        <Text block tone="soft" small>
          {words}
        </Text>
      </span>
      <Row as="span" wrap={false}>
        <LinkButton size="tiny" href={`/intake?inquiry=${offer.inquiry_id}`} title={offer.because}>
          Why
        </LinkButton>
        {children}
      </Row>
    </Row>
  );
}

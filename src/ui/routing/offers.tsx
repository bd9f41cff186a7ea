'use client';
/** Leads that wait: offered and not yet accepted, with what is left of their window; and given, without a first try. */
import Link from 'next/link';
import { Left, Timer } from '../primitives';
import type { Offer } from './shapes';
import { LinkButton } from '../kit';

const SHOWN = 8;

export function WaitingOffers({ offers, total }: { offers: Offer[]; total: number }) {
  const offered = offers.filter(({ agent }) => !agent);
  const given = offers.filter(({ agent }) => agent);
  return (
    <section aria-label="Waiting">
      {offered.length > 0 && (
        <>
          <div className="group" style={{ marginTop: 0 }}>
            <h2>Offered, not accepted yet</h2>
            <span className="late strong">{offered.length.toLocaleString('en-US')}</span>
          </div>
          {offered.slice(0, SHOWN).map((offer) => (
            <Row key={offer.id} offer={offer} words={offer.commons ? 'in the commons' : `offered to ${few(offer.to)}`}>
              {offer.ends_at ? <Left until={offer.ends_at} /> : <Timer since={offer.offered_at} />}
            </Row>
          ))}
        </>
      )}
      <div className="group" style={{ marginTop: offered.length ? undefined : 0 }}>
        <h2>Waiting for a first attempt</h2>
        <span className="late strong">{(total - offered.length).toLocaleString('en-US')}</span>
      </div>
      {given.length === 0 && (
        <p className="soft small" style={{ padding: '8px 0' }}>
          Every lead has been attempted.
        </p>
      )}
      {given.slice(0, SHOWN).map((offer) => (
        <Row key={offer.id} offer={offer} words={`with ${offer.agent!.name}`}>
          <Timer since={offer.offered_at} />
        </Row>
      ))}
      {total - offered.length > SHOWN && (
        <Link href="/contacts?stage=new" className="small soft" prefetch={false}>
          all new leads
        </Link>
      )}
    </section>
  );
}

const few = (names: readonly string[]): string => (names.length > 2 ? `${names.length} people` : names.join(' and '));

function Row({ offer, words, children }: { offer: Offer; words: string; children: React.ReactNode }) {
  return (
    <div className="pair">
      <span style={{ minWidth: 0 }}>
        <Link
          href={`/contacts?contact=${offer.contact_id}`}
          className="strong"
          style={{ textDecoration: 'none' }}
          prefetch={false}
        >
          {offer.name.trim() || 'No name'}
        </Link>
        <span className="soft small" style={{ display: 'block' }}>
          {words}
        </span>
      </span>
      <span className="beside nowrap" style={{ marginTop: 0 }}>
        <LinkButton
          size="tiny"
          style={{ textDecoration: 'none' }}
          href={`/intake?inquiry=${offer.inquiry_id}`}
          title={offer.because}
        >
          Why
        </LinkButton>
        {children}
      </span>
    </div>
  );
}

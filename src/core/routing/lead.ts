/** What the ladder reads of an inquiry, from the inquiry as it was cleaned; of one that was kept, also when it came before some of its fields were known. */
import type { CleanInquiry } from '../capture/schemas';
import type { LeadFacts } from './ladder';

const firstOf = (list: unknown): string | null => (Array.isArray(list) && list.length ? String(list[0]) : null);
const priceOf = (inquiry: Partial<CleanInquiry>): number | null => {
  const asked = inquiry.listing?.price ?? inquiry.wants?.price_max;
  return typeof asked === 'number' ? asked : null;
};

const pointOf = ({ listing }: Partial<CleanInquiry>): LeadFacts['point'] =>
  listing?.longitude != null && listing.latitude != null ? [listing.longitude, listing.latitude] : null;

export function leadOf(doorId: string, inquiry: Partial<CleanInquiry>, source: string | null, returning: boolean): LeadFacts {
  const { listing } = inquiry;
  return {
    doorId,
    source,
    roles: inquiry.roles ?? [],
    town: inquiry.city ?? listing?.city ?? firstOf(inquiry.wants?.areas),
    postalCode: inquiry.postalCode ?? listing?.postal_code ?? null,
    point: pointOf(inquiry),
    price: priceOf(inquiry),
    kind: listing?.kind ?? firstOf(inquiry.wants?.kinds),
    listing: [listing?.id, listing?.address].filter(Boolean).join(' ') || null,
    hasPhone: (inquiry.phones ?? []).length > 0,
    hasEmail: (inquiry.emails ?? []).length > 0,
    language: inquiry.language ?? null,
    returning,
  };
}

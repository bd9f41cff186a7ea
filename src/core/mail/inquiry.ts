/** What was read from a mail in the shape of an inquiry, as any door takes it in. */
import type { LeadMail } from './mail';

const short = (text: string | null | undefined, most: number): string => (text ?? '').slice(0, most);

/** @param source of the door, when it says one; otherwise what the mail suggests */
export function inquiryOf(read: LeadMail, source: string | null) {
  const { priceMin, priceMax, bedsMin, bathsMin, areas } = read.wants ?? {};
  const wants = { price_min: priceMin, price_max: priceMax, bedrooms: bedsMin, bathrooms: bathsMin, areas };
  const permissions = Object.fromEntries(
    Object.entries(read.permissions ?? {})
      .filter(([channel]) => channel !== 'letter')
      .map(([channel, said]) => [channel, said === 'granted']),
  );
  const { id, address, price } = read.listing ?? {};
  return {
    person: {
      first_name: short(read.name?.first, 200),
      last_name: short(read.name?.last, 200),
      emails: read.emails.slice(0, 10),
      phones: read.phones.slice(0, 10),
    },
    roles: read.roles,
    source: short(source ?? read.source, 120),
    ...(read.message ? { message: short(read.message, 20_000) } : {}),
    listing: {
      ...(id ? { id: short(id, 80) } : {}),
      ...(address ? { address: short(address, 300) } : {}),
      ...(price === undefined ? {} : { price }),
    },
    wants: Object.fromEntries(
      Object.entries(wants)
        .filter(([, value]) => value !== undefined)
        .map(([key, value]) => [key, key.startsWith('price') ? Math.round(value as number) : value]),
    ),
    permissions,
  };
}

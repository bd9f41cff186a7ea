/** What was read from a mail in the shape of an inquiry, as any door takes it in. */
import { isLeadSource, type DoorDefaults } from '../capture';
import type { LeadMail } from './mail';

const short = (text: string | null | undefined, most: number): string => (text ?? '').slice(0, most);

/** The lead source that a mail names; empty when it names none. */
const sourceIn = ({ origin, source }: LeadMail): string => [origin ?? source].find(isLeadSource) ?? '';

/** @param door its source, otherwise what the mail suggests; its role, where the mail says none */
export function inquiryOf(read: LeadMail, door: { source: string | null; defaults: DoorDefaults }) {
  const { priceMin, priceMax, bedsMin, bathsMin, areas } = read.wants ?? {};
  const wants = {
    price_min: priceMin,
    price_max: priceMax,
    bedrooms: bedsMin,
    bathrooms: bathsMin,
    areas,
    move_by: read.moveDate,
  };
  const permissions = Object.fromEntries(
    Object.entries(read.permissions ?? {}).map(([channel, permission]) => [channel, permission === 'granted']),
  );
  const { id, address, price } = read.listing ?? {};
  return {
    person: {
      first_name: short(read.name?.first, 200),
      last_name: short(read.name?.last, 200),
      emails: read.emails.slice(0, 10),
      phones: read.phones.slice(0, 10),
      ...(read.extensions ? { extensions: read.extensions } : {}),
    },
    ...(read.partner ? { partner: [read.partner.first, read.partner.last].filter(Boolean).join(' ').slice(0, 200) } : {}),
    roles: read.roleAssumed && door.defaults.roles?.length ? [] : read.roles,
    source: short(door.source ?? sourceIn(read), 120),
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

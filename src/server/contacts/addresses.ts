/**
 * The addresses of a contact by channel: where it goes, and under which address the permission ledger holds what was said. Letters go to a
 * person wherever they live, so what is said about them stands under the person and not under a house.
 */
import { CHANNEL_KEYS, CHANNELS, SEND_CHANNELS, type AddressKind, type Channel, type PlaceView } from '@/core/contacts';

/** Under which address the ledger holds what is said about letters. */
export const lettersTo = (contactId: string): string => `person:${contactId}`;
/** Contact points that a kind of address is; null for one that is none. */
const POINTS: Record<AddressKind, 'phone' | 'email' | null> = { phone: 'phone', email: 'email', mailing: null };
/** The kind of contact points by which a channel reaches somebody; null for one that goes where they live. */
export const pointKind = (channel: Channel): 'phone' | 'email' | null => POINTS[CHANNELS[channel].address];

const inSql = (column: string, answer: (channel: Channel) => string): string =>
  `case ${column} ${CHANNEL_KEYS.map((channel) => `when '${channel}' then ${answer(channel)}`).join(' ')} end`;
/** The same in SQL. @param column SQL of the channel */
export const pointKindSql = (column: string): string =>
  inSql(column, (channel) => (pointKind(channel) ? `'${pointKind(channel)}'` : 'null'));
/** Whether a channel is one by which we send, in SQL. @param column SQL of the channel */
export const isSentSql = (column: string): string =>
  `${column} in (${SEND_CHANNELS.map((channel) => `'${channel}'`).join(', ')})`;
/**
 * Under which address the ledger holds what was said, in SQL.
 * @param contactId SQL of the id
 * @param value SQL of the address that it goes to
 */
export const ledgerAddressSql = (channel: Channel, contactId: string, value: string): string =>
  pointKind(channel) ? value : `'person:' || ${contactId}`;
/** The same for a channel that stands in a row. @param column SQL of the channel */
export const anyLedgerAddressSql = (column: string, contactId: string, value: string): string =>
  inSql(column, (channel) => ledgerAddressSql(channel, contactId, value));

/** The addresses of a contact on a channel, the first one first, as the ledger knows them. */
export const addressesOf = (channel: Channel, contact: { id: string; emails: string[]; phones: string[] }): string[] =>
  ({ phone: contact.phones, email: contact.emails, mailing: [lettersTo(contact.id)] })[CHANNELS[channel].address];
/** The same in SQL, for a contact `c`: the first address of a channel, null when there is none. */
export const firstAddressSql = (channel: Channel): string =>
  pointKind(channel)
    ? `(select cp.value from contact_points cp where cp.contact_id = c.id and cp.active and cp.kind = '${pointKind(channel)}' order by cp.error is not null, cp.position, cp.id limit 1)`
    : `('person:' || c.id)`;
/** The address of a change of permission, for the timeline: nothing where it is the person themselves. */
export const shownAddress = (channel: Channel, address: string): { to?: string } => (pointKind(channel) ? { to: address } : {});

type Place = Pick<PlaceView, 'street' | 'city' | 'postal_code'>;
const inOneLine = (place: Place | null): string | null =>
  place?.street && place.city && place.postal_code ? `${place.street}, ${place.city} ${place.postal_code}` : null;
/** The mailing address in one line: where their letters go, else where they live; null unless it is complete. */
export const mailingAddress = ({ mailing, ...home }: Place & { mailing?: Place | null }): string | null =>
  inOneLine(mailing ?? null) ?? inOneLine(home);
const oneLineSql = (street: string, city: string, postalCode: string): string =>
  `case when ${street} <> '' and ${city} <> '' and ${postalCode} <> '' then ${street} || ', ' || ${city} || ' ' || ${postalCode} end`;
/** The same in SQL, for a contact `c`. */
export const MAILING_ADDRESS = `coalesce(${oneLineSql(`(c.mailing->>'street')`, `(c.mailing->>'city')`, `(c.mailing->>'postal_code')`)}, ${oneLineSql('c.street', 'c.city', 'c.postal_code')})`;
/** Of the addresses in their order the first that works; the first where none does. */
export const workingAddress = (addresses: readonly string[], errors: Readonly<Record<string, string>>): string | undefined =>
  addresses.find((address) => !errors[address]) ?? addresses[0];
/** Where a message to a contact goes; null when they have no such address. */
export const deliveryAddress = (
  channel: Channel,
  contact: { emails: string[]; phones: string[]; address_errors: Record<string, string>; place: Place; mailing?: Place | null },
): string | null =>
  ({
    phone: workingAddress(contact.phones, contact.address_errors),
    email: workingAddress(contact.emails, contact.address_errors),
    mailing: mailingAddress({ ...contact.place, mailing: contact.mailing ?? null }),
  })[CHANNELS[channel].address] ?? null;

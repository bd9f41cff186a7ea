/** How a phone or an email of a contact is said and sent. */
import type { AddressUse, AddressView } from '@/core/contacts';
import { showPhone } from '@/core/capture';

export const USE_NAMES: Record<AddressUse, string> = { cell: 'Cell', home: 'Home', work: 'Work', other: 'Other' };
export type AddressList = 'phones' | 'emails';
export const NOUN: Record<AddressList, string> = { phones: 'Phone', emails: 'Email' };

/** `(360) 555-0142 x12`; an email as it is. */
export const addressText = ({ value, extension }: Pick<AddressView, 'value' | 'extension'>): string =>
  `${value.includes('@') ? value : showPhone(value)}${extension ? ` x${extension}` : ''}`;
/** What else there is to say: label, with whom it is shared, what is wrong with it. */
export const addressNote = ({ label, shared_with }: AddressView): string =>
  [label, shared_with.length && `shared with ${shared_with.map(({ name }) => name || 'no name').join(', ')}`]
    .filter(Boolean)
    .join(' · ');

/** One as it is sent: all that a person said of it. */
export interface SentAddress {
  value: string;
  kind: AddressUse | null;
  label: string | null;
  state?: 'good' | 'wrong';
}
export const sentAddress = (address: AddressView): SentAddress => ({
  value: addressText(address),
  kind: address.kind,
  label: address.label,
  ...(address.state === 'bounced' ? {} : { state: address.state }),
});

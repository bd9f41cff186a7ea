/** A made-up contact and the account's words, as tests of components need them. */
import type { AddressView } from '@/core/contacts';
import type { ContactInFull } from '@/ui/contacts/types';

/** A phone or an email of somebody, of which little is known. */
export const address = (value: string, said: Partial<AddressView> = {}): AddressView => ({
  value,
  kind: null,
  label: null,
  line_type: null,
  extension: null,
  state: 'good',
  shared_with: [],
  ...said,
});

export const ODALYS = {
  id: '5',
  first_name: 'Odalys',
  last_name: 'Brandt',
  emails: ['odalys@kelp.example'],
  phones: ['+13605550142'],
  addresses: {
    phones: [address('+13605550142', { kind: 'cell', extension: '12' })],
    emails: [address('odalys@kelp.example')],
  },
  mailing: null,
  property: null,
  stage: { key: 'talking', name: 'Talking' },
  stage_since: '2026-11-01T00:00:00Z',
  horizon: 'hot',
  roles: ['buyer'],
  tags: ['coast'],
  source: 'Our website',
  time_zone: 'America/Los_Angeles',
  company: null,
  dates: [],
  fields: {},
  place: { street: null, city: 'Saltmarsh', postal_code: null, region: null },
  wants: { bedrooms: 3 },
  do_not_contact: false,
  household_do_not_contact: false,
  lenders: [],
  household: [],
  permissions: { call: 'unknown', text: 'granted', email: 'unknown', letter: 'unknown' },
  permission_details: [],
  owner: { id: '2', name: 'Asta Lund' },
} as unknown as ContactInFull;

export const WORDS = {
  names: {
    stage: [
      { value: 'new', name: 'New' },
      { value: 'talking', name: 'Talking' },
      { value: 'archived', name: 'Archived' },
    ],
    horizon: [
      { value: 'hot', name: 'Hot' },
      { value: 'warm', name: 'Warm' },
    ],
    campaign: [{ value: '3', name: 'New buyer' }],
    roster: [{ value: '8', name: 'Coast agents' }],
    person: [
      { value: '2', name: 'Asta Lund' },
      { value: '4', name: 'Berit Moss', left: true },
    ],
  },
  fields: [
    { id: '1', name: 'Boat', kind: 'choice', choices: ['Sail', 'Motor'] },
    { id: '2', name: 'Pets', kind: 'choices', choices: ['Dog', 'Cat'] },
    { id: '3', name: 'Insured', kind: 'flag', choices: [] },
    { id: '4', name: 'Moved in', kind: 'date', choices: [] },
    { id: '5', name: 'Nickname', kind: 'text', choices: [] },
  ],
};
export const USERS = {
  items: [
    { id: '1', name: 'Ines Kolar', role: 'owner' },
    { id: '2', name: 'Asta Lund', role: 'agent' },
    { id: '6', name: 'Lorne Bank', role: 'lender' },
  ],
};

/** What a column of a file was taken for, as `import --preview` prints it for programs. These words stay, whatever screens call a column. */
import { CHANNEL_KEYS, CHANNELS, type Channel } from '../contacts';
import type { Target } from './headings';

const permits = <Way extends string>(way: Way, words: string): Record<`${Way}_${Channel}`, string> =>
  Object.fromEntries(CHANNEL_KEYS.map((channel) => [`${way}_${channel}`, `${words} ${CHANNELS[channel].toBe}`])) as Record<
    `${Way}_${Channel}`,
    string
  >;

export const PREVIEW_NAMES: Record<Target, string> = {
  first: 'first name',
  middle: 'middle name',
  last: 'last name',
  name: 'whole name',
  company: 'company',
  email: 'email',
  phone: 'phone',
  fax: 'fax',
  street: 'street',
  street2: 'street, second line',
  city: 'town',
  region: 'state',
  postal_code: 'postal code',
  country: 'country',
  address: 'whole address',
  property: 'property address',
  birthday: 'birthday',
  anniversary: 'anniversary',
  closing_date: 'closing date',
  roles: 'roles',
  tags: 'tags',
  stage: 'stage',
  horizon: 'horizon',
  source: 'lead source',
  owner: 'agent',
  want_price_min: 'wants: price from',
  want_price_max: 'wants: price to',
  want_bedrooms: 'wants: bedrooms',
  want_bathrooms: 'wants: bathrooms',
  want_areas: 'wants: areas',
  want_kinds: 'wants: property kinds',
  want_features: 'wants: features',
  want_words: 'wants: in words',
  notes: 'note',
  ...permits('permit', 'may'),
  ...permits('forbid', 'must not'),
  forbid_all: 'do not contact',
  partner_first: 'partner, first name',
  partner_last: 'partner, last name',
  partner_name: 'partner, whole name',
  partner_email: 'partner, email',
  partner_phone: 'partner, phone',
  partner_birthday: 'partner, birthday',
  custom: 'a field of its own',
  ignore: 'leave out',
};

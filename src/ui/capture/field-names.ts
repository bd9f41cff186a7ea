/** What the fields of an inquiry are called where the body of a program is mapped to them. */
import type { BodyField } from '@/core/mail';

export const FIELD_NAMES: Record<BodyField, string> = {
  name: 'full name',
  first_name: 'first name',
  last_name: 'last name',
  email: 'email',
  phone: 'phone',
  message: 'what they asked about',
  role: 'role (buyer, seller, renter)',
  source: 'lead source',
  city: 'city',
  postal_code: 'ZIP',
  street: 'their street',
  listing_id: 'MLS #',
  listing_address: 'listing address',
  listing_price: 'listing price',
  price_min: 'min price',
  price_max: 'max price',
  bedrooms: 'bedrooms',
  tags: 'tags',
  language: 'language',
  assigned_to: 'their agent’s email',
  may_text: 'OK to text (yes or no)',
  may_call: 'OK to call (yes or no)',
  may_email: 'OK to email (yes or no)',
  on_the_phone: 'already on the phone (yes or no)',
};
export const FIELDS = Object.entries(FIELD_NAMES) as [BodyField, string][];

/** Campaigns that come with Urraca, with their whole wording: a beginning that one changes, copies or leaves. */
import { FIRST_QUESTIONS, NEW_BUYER, NEW_SELLER, NO_PHONE, OPEN_HOUSE, RENTER } from './first-weeks';
import { FARM, JUST_LISTED, NURTURE_BUYER, NURTURE_SELLER, QUIET_REVIVAL } from './long';
import { BIRTHDAY, CLOSING, PAST_CLIENT, SPHERE, WINTER } from './people';
import type { Starter } from './steps';

export { NEW_BUYER };
export type { Starter };
export const STARTERS: readonly Starter[] = [
  NEW_BUYER,
  NEW_SELLER,
  RENTER,
  OPEN_HOUSE,
  NO_PHONE,
  FIRST_QUESTIONS,
  NURTURE_BUYER,
  NURTURE_SELLER,
  QUIET_REVIVAL,
  PAST_CLIENT,
  SPHERE,
  BIRTHDAY,
  CLOSING,
  WINTER,
  FARM,
  JUST_LISTED,
];

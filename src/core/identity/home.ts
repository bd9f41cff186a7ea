/** Where somebody lives, in one spelling. */
import { parseLocation } from 'parse-address';
import { foldedName } from './written-name';

/** A home as it is compared: `12|n|harbor|rd|3` with its place; `null` where street or place is not known. */
export interface Home {
  street: string;
  postal: string;
  town: string;
}

const MOST = 200;
/** What one and the same word is in each spelling that the reader of streets leaves. */
const UNITS = /\b(?:apartment|apt|unit|suite|ste|no|number|room|rm|lot|space|#)\b\.?\s*#?/gi;

/**
 * One spelling for a home: number, street, kind of street and unit, with ZIP code or town.
 *
 * @example homeOf('4 North Gull Street Apt 3', 'Saltmarsh', '98701')
 */
export function homeOf(
  street: string | null | undefined,
  city: string | null | undefined,
  postalCode: string | null | undefined,
): Home | null {
  if (!street || street.length > MOST || !/\d/.test(street) || !(city || postalCode)) return null;
  const read = parseLocation(street.replace(UNITS, '# '));
  const parts =
    read?.number && read.street
      ? [read.number, read.prefix, read.street, read.type, read.suffix, read.sec_unit_num]
      : [foldedName(street)];
  return {
    street: parts.map((part) => foldedName(part ?? '')).join('|'),
    postal: (postalCode ?? '').slice(0, 5),
    town: foldedName(city ?? ''),
  };
}

/** Whether two homes are one: the same street, and the same ZIP code, or the same town where one has no ZIP code. */
export const isSameHome = (one: Home | null, other: Home | null): boolean =>
  one !== null &&
  other !== null &&
  one.street === other.street &&
  (one.postal && other.postal ? one.postal === other.postal : one.town !== '' && one.town === other.town);

/** A home as a text, the same for each spelling of it. */
export const homeKey = ({ street, postal, town }: Home): string => `${street} ${postal || town}`;

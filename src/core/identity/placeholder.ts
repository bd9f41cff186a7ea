/** Addresses that are nobody's: what people and programs fill in where something must stand. */
import { isValidPhoneNumber } from 'libphonenumber-js';

/** @param phone in E.164. Digits of one kind, or that count up or down; never a number of our 555 exchange by itself */
export function isPlaceholderPhone(phone: string): boolean {
  const digits = phone.replace(/\D/g, '').replace(/^1(?=\d{10}$)/, '');
  const local = digits.slice(-7);
  return (
    /^(\d)\1+$/.test(digits) ||
    /^(\d)\1+$/.test(local) ||
    '01234567890123456789'.includes(digits) ||
    '98765432109876543210'.includes(digits) ||
    (/^0|^1/.test(digits) && phone.startsWith('+1') && !isValidPhoneNumber(phone))
  );
}

const NO =
  'none|no|na|n-a|noemail|no-email|nomail|no\\.email|null|nil|unknown|test|example|invalid|fake|asdf|abc|xxx?|x|a|email|none\\d{1,3}';
const NOBODY = new RegExp(`^(?:${NO}|noreply|no-reply|donotreply|do-not-reply|notprovided|not\\.provided|noone|nobody)$`);
const PLACE = new RegExp(`^(?:${NO}|notprovided|nowhere|domain)$`);
/** @param email as `cleanEmail` gives it */
export function isPlaceholderEmail(email: string): boolean {
  const [box = '', domain = ''] = email.split('@');
  const [place = ''] = domain.split('.');
  if (/^(?:noreply|no-reply|donotreply|do-not-reply|noemail|no-email|nomail|none|notprovided|nobody)$/.test(box)) return true;
  return NOBODY.test(box) && PLACE.test(place);
}

/** @param address in E.164, or an email */
export const isPlaceholder = (address: string): boolean =>
  address.includes('@') ? isPlaceholderEmail(address) : isPlaceholderPhone(address);

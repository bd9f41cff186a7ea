/** One phone number as people write it: with labels, letters and an extension. */
import { parsePhoneNumberFromString } from 'libphonenumber-js';

const LONGEST_PHONE = 120;
/** A phone number in E.164, with its extension. */
export interface Phone {
  number: string;
  extension: string | null;
}

const LETTERS = 'abcdefghijklmnopqrstuvwxyz';
const KEYS = '22233344455566677778889999';

/** One phone number, read as one of the United States when it has no international prefix; null when it is none. */
export function phoneOf(raw: string): Phone | null {
  if (raw.length > LONGEST_PHONE) return null;
  let text = raw
    .trim()
    .replace(/^tel:/i, '')
    .replace(/[‐-―−]/g, '-')
    .replace(/\u00a0/g, ' ');
  let extension: string | null = null;
  const ext = /(?:;ext=|ext(?:ension|n)?\.?|x|#|durchwahl)\s*(?::\s*)?(\d{1,7})\)?$/i.exec(text);
  if (ext && ext.index > 6) {
    extension = ext[1]!;
    text = text.slice(0, ext.index).replace(/[\s,;(]+$/, '');
  }
  text = text
    .replace(/\s*\((?:home|work|cell|mobile|office|h|w|c|m|o)\)\s*$/i, '')
    .replace(/^[a-z]+(?:\s+phone)?[.:]?\s+(?=[+(\d])/i, '')
    .replace(/^[hwcmo][.:]?(?=[+(\d])/i, '');
  text = text
    .replace(/(?<=\d)\.0+$/, '')
    .replace(/^00(?=[1-9])/, '+')
    .replace(/\s+(?:home|work|cell|mobile|office|direct)$/i, '');
  if (/[a-z]/i.test(text)) {
    if (!/^[\d\s().+-]*\d{3}[\s().-]*[A-Za-z]{3,7}[\s.-]*\d*$/.test(text)) return null;
    text = text.replace(/[a-z]/gi, (letter) => KEYS[LETTERS.indexOf(letter.toLowerCase())]!);
  }
  if (text.length > 40 || !/^[+\d\s().,/-]+$/.test(text)) return null;
  const parsed = parsePhoneNumberFromString(text.replace(/[/,]/g, '-'), { defaultCountry: 'US', extract: false });
  if (!parsed?.isPossible()) return null;
  if (parsed.countryCallingCode === '1' && parsed.nationalNumber.length !== 10) return null;
  return { number: parsed.number, extension: extension ?? parsed.ext ?? null };
}

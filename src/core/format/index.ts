import { DEFAULT_FORMAT, formatOf } from './format';
export { dayOf, orderOf, readDay, type DayOrder } from './day';
export { DEFAULT_FORMAT, formatOf, LOCALES, LOCALE_NAMES, type Format, type FormatChoice, type Locale } from './format';
export { readMoney, readTime } from './typed';

/** What is written for everybody, as the timeline and letters are, in the formats of a US account. */
const US = formatOf(DEFAULT_FORMAT);
export const { clockTime, dayAndTime, longDay, plainDay, shortDay, time, weekday, number: formatNumber, money: formatMoney } = US;

export { dayOf, orderOf, readDay, type DayOrder } from './day';
export { DEFAULT_FORMAT, formatOf, LOCALES, LOCALE_NAMES, type Format, type FormatChoice, type Locale } from './format';
export { readMoney, readTime } from './typed';

export { isWithin, type Bounds } from './bounds';
export { AppError, ERROR_CODES, notFound, type ErrorCode, type FieldError } from './errors';
export { fieldErrors } from './field-errors';
export { DUE_CHANNEL, LIVE_CHANNEL, type JobName, type Jobs, type LiveEvent } from './jobs';
export { anyPattern, escapePattern, ownPattern, textPattern } from './pattern';
export { cursorOf, pageOf, readCursor, type Page } from './page';
export { hash32, seeded, type Random } from './random';
export {
  DAY,
  durationMs,
  HOUR,
  howLong,
  type Hours,
  inHours,
  isZone,
  localDay,
  localDate,
  localDayNumber,
  localInstant,
  localMinutes,
  localWeekday,
  MINUTE,
  minutesOf,
} from './time';
export { type Jsoned } from './jsoned';
export { capitalized, folded, initialsOf, inSingular, listed, NAME_PARTICLES, ownCopy, snake, snaked } from './words';
export { typed, type SentFor, type Typed, type ValueOf } from './schema';

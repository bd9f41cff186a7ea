export { writeAudit } from './audit';
export { clockState, holdClock, markClock, now, NOW, releaseClock } from './clock';
export { config, forgetConfig, type Config, type ServiceName } from './config';
export { closeDb, db, isLost, inTurn, joinAsWritten, reader, transact, type Tx } from './db';
export { enqueue, enqueueAll, freeDeadJobs, freeLostJobs } from './enqueue';
export { listen, stopHearing, subscribe } from './listener';
export { publish, publishAndWake, wakeWorkers } from './live';
export { ADDRESS_LOCKS, lockAddresses } from './lock';
export { noteMade, wasMadeIn } from './uncommitted';
export { migrate } from './migrate';
export { BEAT_MS, beat, leave, readProcesses, type ProcessState } from './processes';
export { once, sweepReplies, type SavedReply } from './idempotency';
export {
  readApart,
  readyToRead,
  stopReading,
  type ReadingAnswer,
  type ReadingName,
  type ReadingOrder,
  type Readings,
} from './reading';
export { limitRate, sweepRates } from './rate';
export { nameSql } from './name.sql';
export { sealed, unsealed } from './sealed';
export { hashed, mailToken, randomToken, readMailToken, readSigned, signed } from './tokens';
export {
  bigint,
  bigints,
  bool,
  bytes,
  day,
  double,
  id,
  instant,
  int,
  json,
  key,
  made,
  numeric,
  orNull,
  real,
  smallint,
  statedTables,
  table,
  text,
  texts,
  varchar,
  type NewRow,
  type RowOf,
  type Table,
  type Where,
} from './table';
export { cacheWhenSlow, LARGE_COUNTS, PROPOSALS } from './cache';

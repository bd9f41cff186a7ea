/**
 * Reading of what comes from outside (mails, bodies of programs, texts of templates, plans), apart from the threads that serve: in a
 * small pool of worker threads, each reading with a limit of time and of memory. What exceeds them ends its thread and nothing else.
 */
import { join } from 'node:path';
import { Piscina } from 'piscina';
import type { BodyRead, DoorDefaults } from '@/core/capture';
import type { CleanInquiry } from '@/core/capture/schemas';
import type { ExtractionRule, LeadMail, Mapping, ReadMail } from '@/core/mail';
import type { Checked, Finding } from '@/core/messages';
import { AppError, type ErrorCode } from '@/core/shared';

/**
 * How long one reading may take, in milliseconds from its beginning; where the machine is busy with others, so much of the time that this
 * process was given, and at most `MOST_PATIENCE` times as long. A short answer must not count as unreadable because others work beside it.
 */
const MOST_MS = 1_500;
const MOST_PATIENCE = 2;
/** More for what is large, of each megabyte. */
const MS_A_MEGABYTE = 50;
/** A thread that has not begun by then cannot be started at all; to load what it reads with takes as long as starting may. */
const MOST_START_MS = 20_000;
const WATCH_MS = 100;
const THREADS = 2;
const MOST_HEAP_MB = 128;

/** The built reader: beside the worker, or where the environment says. */
const readerFile = (): string => process.env.READER_FILE ?? join(process.cwd(), 'dist', 'reader.js');

interface Pool {
  piscina: Piscina;
  free: number;
  waiting: (() => void)[];
}
const held = globalThis as unknown as { urracaReaders?: Pool };

function pool(): Pool {
  held.urracaReaders ??= {
    piscina: new Piscina({
      filename: readerFile(),
      minThreads: THREADS,
      maxThreads: THREADS,
      resourceLimits: { maxOldGenerationSizeMb: MOST_HEAP_MB },
    }),
    free: THREADS,
    waiting: [],
  };
  return held.urracaReaders;
}

/** Waits for a thread, so that no reading's time passes in a queue. */
async function seat(readers: Pool): Promise<() => void> {
  if (readers.free > 0) readers.free -= 1;
  else await new Promise<void>((resolve) => readers.waiting.push(resolve));
  return () => {
    const next = readers.waiting.shift();
    if (next) next();
    else readers.free += 1;
  };
}

type ReadingDoor = { source: string | null; defaults: DoorDefaults };

/** What can be read apart: of each reading what it takes and what it answers. `src/worker/reading/reader.ts` carries them out. */
export interface Readings {
  /** Whether a thread can be started. */
  ready: { takes: null; answers: null };
  /** A mail as it came over SMTP. */
  mail: { takes: { raw: Uint8Array; at: Date }; answers: ReadMail };
  /** What a mail says by what its door learned. */
  rules: { takes: { read: LeadMail; body: string; rules: ExtractionRule[] }; answers: LeadMail };
  /** A body of any shape that a program sent to a door. May fail with input_unreadable or input_invalid. */
  body: {
    takes: { text: string; contentType: string; mapping: Mapping; door: ReadingDoor };
    answers: { raw: unknown; inquiry: CleanInquiry };
  };
  /** The same for one that is only looked at: its values with their places, the inquiry that it would be, what is wrong with it. */
  bodyPreview: { takes: { body: unknown; mapping: Mapping; door: ReadingDoor }; answers: BodyRead };
  /** What the checks say of words, beside others that they may be too like. */
  words: { takes: { checked: Checked; others: { id: string; name: string; text: string }[] }; answers: Finding[] };
  /** How many errors and warnings each of several templates has. */
  counts: { takes: Checked[]; answers: { errors: number; warnings: number }[] };
}
export type ReadingName = keyof Readings;

/** What a reading is given beside its input: the thread notes there when it began. */
export interface ReadingOrder<Name extends ReadingName = ReadingName> {
  name: Name;
  input: Readings[Name]['takes'];
  begun: SharedArrayBuffer;
}

/** What it answers: what was found, or a failure of ours in parts. */
export type ReadingAnswer<Out> = { found: Out } | { failed: { code: ErrorCode; message: string; facts: AppError['facts'] } };

/**
 * Reads apart; `bytes` is the size of what is large.
 * @throws AppError reading_failed when it took too long, too much memory, or failed; whatever is read stays with the caller
 */
export async function readApart<Name extends ReadingName>(
  name: Name,
  input: Readings[Name]['takes'],
  bytes = 0,
): Promise<Readings[Name]['answers']> {
  const readers = pool();
  const leave = await seat(readers);
  const begun = new SharedArrayBuffer(8);
  const begunAt = new Float64Array(begun);
  const abort = new AbortController();
  const submitted = Date.now();
  const watch = setInterval(
    whenLate(
      name === 'ready' ? MOST_START_MS : MOST_MS + (bytes / 1_000_000) * MS_A_MEGABYTE,
      () => begunAt[0] || null,
      submitted,
      () => abort.abort(),
    ),
    WATCH_MS,
  );
  try {
    const order: ReadingOrder<Name> = { name, input, begun };
    const answer = (await readers.piscina.run(order, { signal: abort.signal })) as ReadingAnswer<Readings[Name]['answers']>;
    if ('failed' in answer) throw new AppError(answer.failed.code, answer.failed.message, answer.failed.facts);
    return answer.found;
  } catch (error) {
    throw failed(error, abort.signal.aborted, Boolean(begunAt[0]));
  } finally {
    clearInterval(watch);
    leave();
  }
}

/** Looked at now and then: calls `stop` once a reading has had its time. */
function whenLate(mostMs: number, begunAt: () => number | null, submitted: number, stop: () => void): () => void {
  let before: NodeJS.CpuUsage | null = null;
  return () => {
    const began = begunAt();
    if (began === null) return Date.now() - submitted > MOST_START_MS ? stop() : undefined;
    before ??= process.cpuUsage();
    const passed = Date.now() - began;
    const { user, system } = process.cpuUsage(before);
    const given = (user + system) / 1_000 + WATCH_MS;
    if (passed > mostMs * MOST_PATIENCE || (passed > mostMs && given > mostMs)) stop();
  };
}

function failed(error: unknown, late: boolean, begun: boolean): AppError {
  if (error instanceof AppError) return error;
  if (!begun) return new AppError('unavailable', 'Can’t read anything right now. Try again shortly.', { retry: true }, error);
  const { code } = error as { code?: string };
  const because = late
    ? 'takes too long to read'
    : code === 'ERR_WORKER_OUT_OF_MEMORY'
      ? 'is too large to read'
      : 'cannot be read';
  return new AppError('reading_failed', `This ${because}.`, {}, error);
}

/** Starts the readers, so that nobody waits for them to begin; called when a process starts. @throws AppError unavailable */
export async function readyToRead(): Promise<void> {
  await Promise.all(Array.from({ length: THREADS }, () => readApart('ready', null)));
}

/** Ends the threads, for a process or a test that ends. */
export async function stopReading(): Promise<void> {
  const readers = held.urracaReaders;
  held.urracaReaders = undefined;
  await readers?.piscina.destroy();
}

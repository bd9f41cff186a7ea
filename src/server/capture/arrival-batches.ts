/**
 * Arrivals that come while others are being taken in wait for them and are then taken in together: a flood of leads costs one transaction for
 * many, a single lead waits for nobody; only in a flood a round waits a moment until it is worth its transaction. None of those together shares an address or a key with another, so each is as if it had come alone.
 */
import { AppError } from '@/core/shared';
import { config } from '../shared';
import { locksOf, type Arrival, type CaptureResult } from './arrival';

/** Takes in those given, in one transaction; null stands for one that must come again after the others. */
type TakeIn = (arrivals: Arrival[]) => Promise<(CaptureResult | null)[]>;

interface Waiting {
  arrival: Arrival;
  locks: string[];
  done: (captured: CaptureResult) => void;
  failed: (error: unknown) => void;
}
interface Line {
  waiting: Waiting[];
  underWay: number;
  /** How many the last round took in; several are a flood. */
  took: number;
  /** Set while the next round waits for more. */
  lingering: ReturnType<typeof setTimeout> | undefined;
}

const MOST_TOGETHER = 25;
/** While PostgreSQL works at one transaction, the values of the next are made. */
const SIDE_BY_SIDE = 2;
/** So many are worth a transaction beside another, and in a flood one at all: five milliseconds of it cost the same for one as for many. */
const WORTH_A_ROUND = 4;
/** In a flood a round waits so long for them. */
const LINGER_MS = 3;

/** By account; the database is part of the key: a process of the tests sees one after the other. */
const lines = new Map<string, Line>();

/** Takes in an arrival when it is its turn. @throws what taking it in alone throws */
export function batchArrivals(arrival: Arrival, takeIn: TakeIn): Promise<CaptureResult> {
  const key = `${config().databaseUrl} ${arrival.door.accountId}`;
  const line = lines.get(key) ?? { waiting: [], underWay: 0, took: 1, lingering: undefined };
  lines.set(key, line);
  return new Promise((done, failed) => {
    line.waiting.push({ arrival, locks: locksOf(arrival), done, failed });
    begin(key, line, takeIn);
  });
}

function begin(key: string, line: Line, takeIn: TakeIn): void {
  const few = line.waiting.length < WORTH_A_ROUND;
  if (!line.underWay && line.took > 1 && few && line.waiting.length)
    line.lingering ??= setTimeout(() => start(key, line, takeIn), LINGER_MS);
  else start(key, line, takeIn);
}

function start(key: string, line: Line, takeIn: TakeIn): void {
  clearTimeout(line.lingering);
  line.lingering = undefined;
  while (line.waiting.length && (!line.underWay || (line.underWay < SIDE_BY_SIDE && line.waiting.length >= WORTH_A_ROUND))) {
    const together = choose(line);
    line.underWay += 1;
    line.took = together.length;
    void takeTogether(line, together, takeIn).finally(() => {
      line.underWay -= 1;
      if (!line.waiting.length && !line.underWay && line.took === 1) lines.delete(key);
      begin(key, line, takeIn);
    });
  }
}

/** The next in the line that share nothing with each other; who shares something with one before stays behind it. */
function choose(line: Line): Waiting[] {
  const taken = new Set<string>();
  const together: Waiting[] = [];
  const others: Waiting[] = [];
  for (const one of line.waiting) {
    const free = together.length < MOST_TOGETHER && !one.locks.some((lock) => taken.has(lock));
    (free ? together : others).push(one);
    for (const lock of one.locks) taken.add(lock);
  }
  line.waiting = others;
  return together;
}

/** What goes wrong with one of them must not be the fault of the others: each is then taken in alone. */
async function takeTogether(line: Line, together: Waiting[], takeIn: TakeIn): Promise<void> {
  try {
    const captured = await takeIn(together.map(({ arrival }) => arrival));
    const again = together.filter((one, n) => {
      const answer = captured[n];
      if (answer) one.done(answer);
      return !answer;
    });
    line.waiting.unshift(...again);
  } catch (error) {
    const away = error instanceof AppError && error.code === 'unavailable';
    if (away || together.length === 1) return together.forEach(({ failed }) => failed(error));
    for (const one of together) await takeTogether(line, [one], takeIn);
  }
}

/** One LISTEN connection per process, shared by all open pages, reconnecting when PostgreSQL comes back. */
import pg from 'pg';
import { LIVE_CHANNEL, type LiveEvent } from '@/core/shared';
import { config } from './config';

type Hear = (payload: string) => void;

/**
 * Listens on a channel until `stop`. After an outage it listens again and calls `onReconnect`, because what was told
 * in between was not heard.
 */
export function listen(
  channel: string,
  hear: Hear,
  onReconnect: () => void = () => {},
): { stop: () => Promise<void>; ready: Promise<void> } {
  let client: pg.Client | undefined;
  let stopped = false;
  let first = true;
  const connect = async (): Promise<void> => {
    if (stopped) return;
    const next = new pg.Client({ connectionString: config().databaseUrl, application_name: 'urraca listener', keepAlive: true });
    client = next;
    let again = false;
    const retry = () => {
      if (again || stopped) return;
      again = true;
      next.end().catch(() => {});
      setTimeout(() => void connect(), 500).unref();
    };
    next.on('error', retry);
    next.on('end', retry);
    next.on('notification', (message) => hear(message.payload ?? ''));
    try {
      await next.connect();
      await next.query(`listen ${pg.escapeIdentifier(channel)}`);
      if (!first) onReconnect();
      first = false;
    } catch {
      retry();
    }
  };
  const ready = connect();
  return {
    ready,
    stop: async () => {
      stopped = true;
      await client?.end().catch(() => {});
    },
  };
}

type Subscriber = (event: LiveEvent | 'everything') => void;
const held = globalThis as unknown as { urracaLive?: { subscribers: Set<Subscriber>; stop: () => Promise<void> } };

/** Hears every LiveEvent in this process; `everything` after an outage, when a page should read all again. Answers how to stop. */
export function subscribe(subscriber: Subscriber): () => void {
  if (!held.urracaLive) {
    const subscribers = new Set<Subscriber>();
    const { stop } = listen(
      LIVE_CHANNEL,
      (payload) => {
        const event = JSON.parse(payload) as LiveEvent;
        subscribers.forEach((hear) => hear(event));
      },
      () => subscribers.forEach((hear) => hear('everything')),
    );
    held.urracaLive = { subscribers, stop };
  }
  const { subscribers } = held.urracaLive;
  subscribers.add(subscriber);
  return () => subscribers.delete(subscriber);
}

/** Stops hearing in this process, for one that ends. */
export async function stopHearing(): Promise<void> {
  const open = held.urracaLive;
  held.urracaLive = undefined;
  await open?.stop();
}

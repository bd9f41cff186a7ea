/** The queue's log, kept to its errors. */
import { Logger } from 'graphile-worker';

export const quiet = (): Logger =>
  new Logger(() => (level, message) => {
    if (level === 'error') console.error(`queue: ${message}`);
  });

/** The queue's log, kept to its errors. */
import { Logger } from 'graphile-worker';

export const quiet = (): Logger =>
  new Logger(() => (level, message) => {
    if (String(level) === 'error') console.error(`queue: ${message}`);
  });

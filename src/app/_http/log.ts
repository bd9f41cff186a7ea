/** The web's log: one line of JSON an event, on standard output. */
import pino from 'pino';

export const log = pino({ name: 'web', level: process.env.LOG_LEVEL ?? 'warn' });

/**
 * Loaded into every process of an application before anything else (`--import`): it says over the channel to whoever started it that its event
 * loop turns, and ends when nobody is at the other end any more.
 */
const EVERY_MS = 2_000;

if (process.send) {
  setInterval(() => process.connected && process.send('alive', () => {}), EVERY_MS).unref();
  process.on('disconnect', () => process.kill(process.pid, 'SIGTERM'));
  process.channel?.unref();
}

/** Keeps the processes of an application running: one that ended or hangs is started again, after a wait that grows, and that is said. */
import { say } from './say.mjs';

const FIRST_WAIT_MS = 1_000;
const LONGEST_WAIT_MS = 30_000;
/** Whoever ran so long ended for a reason of its own and not for that of the last time. */
const SETTLED_MS = 60_000;
/** An event loop that did not turn for so long is hung. */
const SILENT_MS = 10_000;

/**
 * @param children the running processes by name; replaced in place when they are started anew
 * @param start how each is started
 * @returns what ends the watch; the processes stay as they are
 */
export function supervise(children, start) {
  let watching = true;
  const waits = {};
  const timers = new Set();
  const watch = (name) => {
    const child = children[name];
    const began = Date.now();
    let heard = Date.now();
    child.on('message', (word) => {
      if (word === 'alive') heard = Date.now();
    });
    const pulse = setInterval(() => {
      if (Date.now() - heard < SILENT_MS) return;
      say(`\nThe ${name} process hasn’t answered for ${Math.round((Date.now() - heard) / 1000)} seconds. Ending it.`);
      heard = Date.now();
      child.kill('SIGKILL');
    }, 1_000);
    timers.add(pulse);
    child.once('exit', (code, signal) => {
      clearInterval(pulse);
      timers.delete(pulse);
      if (!watching) return;
      waits[name] =
        Date.now() - began > SETTLED_MS ? FIRST_WAIT_MS : Math.min(LONGEST_WAIT_MS, (waits[name] ?? FIRST_WAIT_MS / 2) * 2);
      say(
        `\nThe ${name} process ended (${signal ?? code}); starting it again in ${waits[name] / 1000} s. Its log is ${child.logFile}.`,
      );
      const again = setTimeout(() => {
        timers.delete(again);
        if (!watching) return;
        children[name] = start[name]();
        watch(name);
        say(`The ${name} process is running again.`);
      }, waits[name]);
      timers.add(again);
    });
  };
  for (const name of Object.keys(children)) watch(name);
  return () => {
    watching = false;
    for (const timer of timers) clearTimeout(timer);
  };
}

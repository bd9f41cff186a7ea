/** How scripts speak: one line a step, and one clear message when something cannot go on. */
let out = process.stdout;
export const say = (message) => out.write(`${message}\n`);
/** For scripts whose standard output is data: what is said goes to standard error. */
export const sayAside = () => {
  out = process.stderr;
};

/** A reason to stop that the person can act on; shown without a stack. */
export class Stop extends Error {}

/** Runs a script: a Stop, or a full disk, ends it with its sentence and exit code 1. */
export async function script(run) {
  try {
    await run();
  } catch (error) {
    if (error instanceof Stop) console.error(`\n${error.message}`);
    else if (error?.code === 'ENOSPC')
      console.error('\nThe disk is full. Make room and start again; what was begun is completed then.');
    else console.error(error);
    process.exit(1);
  }
}

/** Ports on loopback. */
import { createServer } from 'node:net';
import { Stop } from './say.mjs';

export const portIsFree = (port) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });

/** @param wanted [port, what it is for, the variable that chooses another][] */
export async function requirePorts(wanted) {
  for (const [port, what, variable] of wanted) {
    if (!(await portIsFree(port)))
      throw new Stop(
        `Port ${port} (${what}) is taken by another program. Free it, or choose another: ${variable}=… npm run demo`,
      );
  }
}

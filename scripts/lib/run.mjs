/** Running other programs: to the end with their output shown or kept. */
import { spawn, spawnSync } from 'node:child_process';
import { ROOT } from './root.mjs';

/** Runs to the end with output shown; answers the exit code. */
export const shown = (command, args, options = {}) =>
  new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'], ...options });
    child.on('error', reject);
    child.on('exit', (code, signal) => resolve(code ?? (signal ? 1 : 0)));
  });

/** Runs to the end, output kept. */
export function runQuietly(command, args, options = {}) {
  const { status, stdout, stderr, error } = spawnSync(command, args, { cwd: ROOT, encoding: 'utf8', ...options });
  return { ok: status === 0, status, out: (stdout ?? '').trim(), err: (stderr ?? '').trim() || (error?.message ?? '') };
}

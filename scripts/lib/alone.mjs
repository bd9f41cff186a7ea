/**
 * One at a time on this machine: two starts that both find something missing must not install or build over each other. It is needed before
 * there are node modules, so no package can do it.
 */
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { fromRoot } from './root.mjs';
import { say } from './say.mjs';

const WAIT_MS = 300;

const isAlive = (pid) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
};

/** The process that holds a lock; null when the file is gone meanwhile. */
const holderOf = (lock) => {
  try {
    return Number(readFileSync(lock, 'utf8'));
  } catch {
    return null;
  }
};

function taken(lock) {
  try {
    writeFileSync(lock, String(process.pid), { flag: 'wx' });
    return true;
  } catch (error) {
    if (error.code !== 'EEXIST') throw error;
    return false;
  }
}

/** Runs `work` when no other process runs work of this name; what a process left that died is taken over. */
export async function alone(name, work) {
  mkdirSync(fromRoot('.urraca'), { recursive: true });
  const lock = fromRoot('.urraca', `${name}.lock`);
  for (let told = false; !taken(lock);) {
    const holder = holderOf(lock);
    if (holder !== null && !isAlive(holder)) rmSync(lock, { force: true });
    else if (!told) {
      say(`Waiting for process ${holder}, which is at the same (${name}) … If it is something else, delete ${lock}`);
      told = true;
    }
    await new Promise((resolve) => setTimeout(resolve, WAIT_MS));
  }
  try {
    return await work();
  } finally {
    rmSync(lock, { force: true });
  }
}

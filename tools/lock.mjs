import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Whether a process of this id lives. One that has ended and only waits to be collected by its parent does not. */
export function isAlive(pid) {
  if (!Number.isInteger(pid) || pid <= 0) return false;
  try {
    if (/^\d+ \(.*\) Z/s.test(readFileSync(`/proc/${pid}/stat`, 'utf8'))) return false;
  } catch {
    // No /proc here, or no such process: the signal below tells.
  }
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
}

/** Takes a lock folder; false while a living process holds it. One left by a dead process is taken over. */
export function tryLock(folder, note = '') {
  for (let attempt = 0; attempt < 2; attempt++) {
    try {
      mkdirSync(folder);
      writeFileSync(join(folder, 'owner'), `${process.pid}\n${note}\n`);
      return true;
    } catch (error) {
      if (error.code !== 'EEXIST') throw error;
      const { pid, age } = lockOwner(folder);
      if (pid !== undefined ? isAlive(pid) : age < 5000) return false;
      rmSync(folder, { recursive: true, force: true });
    }
  }
  return false;
}

/** Who holds a lock, and the note left with it. */
export function lockOwner(folder) {
  try {
    const [pid, note] = readFileSync(join(folder, 'owner'), 'utf8').split('\n');
    return { pid: Number(pid), note, age: Infinity };
  } catch {
    return { pid: undefined, note: '', age: 0 };
  }
}

/** Runs `work` while holding the lock, waiting for it up to 90 seconds. */
export async function withLock(folder, work) {
  const until = Date.now() + 90_000;
  while (!tryLock(folder)) {
    if (Date.now() > until) throw new Error(`${folder} has been held for too long by process ${lockOwner(folder).pid}`);
    await new Promise((resolve) => setTimeout(resolve, 60));
  }
  try {
    return await work();
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

import { mkdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, basename } from 'node:path';
import { randomBytes } from 'node:crypto';
import { UseError } from './say.mjs';

/**
 * When a process was started, in ticks since the machine was: with its number it
 * names one process for good, for numbers come round again. Undefined where the
 * machine does not say, or when it has ended (or only waits to be collected).
 */
export function startOf(pid) {
  try {
    // The name stands in brackets and may hold anything; what follows it has fixed places (proc(5), stat).
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
    return fields[0] === 'Z' || fields[0] === 'X' ? undefined : fields[19];
  } catch {
    return undefined;
  }
}

/** A process as it is written down: its number and its start. */
export const markOf = (pid) => `${pid} ${startOf(pid) ?? ''}`.trim();

/** Which folder this is, wherever it is moved to; a copy of it is another one. */
export function placeOf(folder) {
  try {
    const { dev, ino } = statSync(folder);
    return `${dev}:${ino}`;
  } catch {
    return '';
  }
}

/**
 * Returns true if the process that a mark names lives. A mark without a start is that of an older version: its number
 * has to do.
 */
export function isAlive(mark) {
  const [number, start] = String(mark).split(' ');
  const pid = Number(number);
  if (!Number.isInteger(pid) || pid <= 0) return false;
  const now = startOf(pid);
  if (now !== undefined) return start === undefined || start === '' || start === now;
  // No /proc on this machine: a signal tells.
  if (startOf(process.pid) !== undefined) return false;
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
}

/**
 * Takes a lock folder; false while a living process holds it. One left by a dead
 * process, or cut off while it was made, is taken over. The folder appears with its
 * owner in it or not at all.
 */
export function tryLock(folder, note = '') {
  for (let attempt = 0; attempt < 3; attempt++) {
    const made = `${folder}.${process.pid}.${randomBytes(4).toString('hex')}`;
    mkdirSync(made, { recursive: true });
    writeOwner(made, note, dirname(folder));
    try {
      renameSync(made, folder);
      return true;
    } catch (error) {
      rmSync(made, { recursive: true, force: true });
      if (!['EEXIST', 'ENOTEMPTY', 'ENOTDIR', 'EPERM'].includes(error.code)) throw error;
    }
    const { mark, age, copied } = lockOwner(folder);
    if (!copied && (mark !== undefined ? isAlive(mark) : age < 5000)) return false;
    // Put aside under a name of our own first: of several who find it only one does.
    const aside = join(dirname(folder), `.${basename(folder)}.${process.pid}.${randomBytes(4).toString('hex')}`);
    try {
      renameSync(folder, aside);
    } catch {
      continue;
    }
    const now = lockOwner(aside);
    if (!now.copied && now.mark !== undefined && now.mark !== mark && isAlive(now.mark)) {
      // Somebody else was faster: it is theirs.
      renameSync(aside, folder);
      return false;
    }
    rmSync(aside, { recursive: true, force: true });
  }
  return false;
}

/** Says who holds a lock: process, note, and the folder it was taken in. */
export function writeOwner(lock, note, folder = dirname(lock)) {
  writeFileSync(join(lock, 'owner'), `${markOf(process.pid)}\n${note}\n${placeOf(folder)}\n`);
}

/**
 * Who holds a lock, and the note left with it; `copied` when it came along with a copy of a folder, and is held in that
 * one.
 */
export function lockOwner(folder) {
  try {
    const [mark, note, place] = readFileSync(join(folder, 'owner'), 'utf8').split('\n');
    return {
      mark: mark || undefined,
      pid: Number(mark.split(' ')[0]),
      note: note ?? '',
      age: Infinity,
      copied: Boolean(place) && place !== placeOf(dirname(folder)),
    };
  } catch {
    let age = Infinity;
    try {
      age = Date.now() - statSync(folder).mtimeMs;
    } catch {
      // Gone meanwhile.
    }
    return { mark: undefined, pid: undefined, note: '', age, copied: false };
  }
}

/** Runs `work` while holding the lock, waiting for it up to 90 seconds. */
export async function withLock(folder, work, onWait = () => {}) {
  const until = performance.now() + 90_000;
  for (let told = false; !tryLock(folder);) {
    const { pid } = lockOwner(folder);
    if (performance.now() > until)
      throw new UseError(
        `${folder} has been held for too long by process ${pid}. If that process does not respond, end it and run this again.`,
      );
    if (!told && performance.now() > until - 88_000) {
      onWait(`process ${pid} is using the database`);
      told = true;
    }
    await new Promise((resolve) => setTimeout(resolve, 60));
  }
  try {
    return await work();
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

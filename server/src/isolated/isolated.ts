import { fork, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The limits of a task. */
export interface IsolatedLimits {
  readonly seconds: number;
  /** Memory of the process, whatever takes it: heap, pixels, a library's own. */
  readonly megabytes: number;
}

/** The answer of a task: its result, or the sentence with which it refused. */
export type IsolatedAnswer<T> = { readonly given: T } | { readonly refused: string };

/** Why a task could not even be begun; asking again later can help. */
export class IsolatedBusy extends Error {
  constructor(why = 'Too many files are being read. This file was not added; drop it again in a moment.') {
    super(why);
    this.name = 'IsolatedBusy';
  }
}

const AT_ONCE = 2;
const WAITING = 80;
/** A process that is not asked anything for so long ends; ms. */
const IDLE = 20_000;
/** A process that holds more than this between two tasks is replaced; MB. */
const HEAVY = 500;
const WATCH = 200;

// Built beside the server; where that runs from its sources, what was built of them, or the source itself, which takes
// seconds longer to be there.
const built = import.meta.url.endsWith('.ts')
  ? process.env['YOHAKU_BUILT']
  : fileURLToPath(new URL('.', import.meta.url));
const ENTRY = built
  ? join(built, 'isolated-worker.mjs')
  : fileURLToPath(new URL('../isolated-worker.ts', import.meta.url));

interface Worker {
  readonly child: ChildProcess;
  idle: NodeJS.Timeout | undefined;
  busy: boolean;
}
interface Waiting {
  readonly start: (worker: Worker) => void;
  readonly fail: (error: Error) => void;
}

/**
 * Takes files that somebody sent apart in a small pool of processes: one made to
 * have no end, or to fill the memory, ends its process and nothing else. (A thread
 * is not enough: one that runs out of memory takes the whole of Node.js with it;
 * and what a picture library holds is given back only when its process ends.)
 */
export class Isolated {
  readonly #workers = new Set<Worker>();
  readonly #waiting: Waiting[] = [];
  #closed = false;

  /**
   * @param task name of one of the tasks of `isolated-worker`
   * @param told sentences for a task that was ended: it took too long, or too much memory
   * @throws IsolatedBusy when too many wait; the error of a task that failed for no fault of the file
   */
  async run<T>(
    task: string,
    sent: unknown,
    limits: IsolatedLimits,
    told: { readonly tooLong: string; readonly tooMuch: string },
  ): Promise<IsolatedAnswer<T>> {
    const worker = await this.#free();
    let retire = false;
    try {
      const answer = await ask<T>(worker.child, task, sent, limits, told);
      retire = answer.ended || memoryOf(worker.child) > HEAVY;
      return answer.value;
    } catch (error) {
      retire = true;
      throw error;
    } finally {
      this.#release(worker, retire);
    }
  }

  close(): void {
    this.#closed = true;
    for (const { fail } of this.#waiting.splice(0)) fail(new IsolatedBusy());
    for (const worker of [...this.#workers]) this.#end(worker);
  }

  #free(): Promise<Worker> {
    if (this.#closed) return Promise.reject(new IsolatedBusy());
    const idle = [...this.#workers].find((worker) => !worker.busy);
    if (idle ?? this.#workers.size < AT_ONCE) {
      const worker = idle ?? this.#spawn();
      worker.busy = true;
      clearTimeout(worker.idle);
      return Promise.resolve(worker);
    }
    if (this.#waiting.length >= WAITING) return Promise.reject(new IsolatedBusy());
    return new Promise((resolve, reject) => this.#waiting.push({ start: resolve, fail: reject }));
  }

  #spawn(): Worker {
    const execArgv = ['--max-old-space-size=768', ...(built ? [] : ['--import', import.meta.resolve('tsx')])];
    const child = fork(ENTRY, {
      execArgv,
      serialization: 'advanced',
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
      env: { ...process.env, MALLOC_ARENA_MAX: '2' },
    });
    const worker: Worker = { child, idle: undefined, busy: true };
    // A task under way hears of these itself; between tasks there is nobody to tell.
    child.on('error', () => {});
    child.once('exit', () => this.#workers.delete(worker));
    this.#workers.add(worker);
    return worker;
  }

  #release(worker: Worker, retire: boolean): void {
    if (retire || this.#closed) this.#end(worker);
    const next = this.#waiting.shift();
    if (next) {
      const other = this.#workers.has(worker) ? worker : this.#spawn();
      other.busy = true;
      next.start(other);
    } else if (this.#workers.has(worker)) {
      worker.busy = false;
      worker.idle = setTimeout(() => this.#end(worker), IDLE);
      worker.idle.unref();
    }
  }

  #end(worker: Worker): void {
    clearTimeout(worker.idle);
    this.#workers.delete(worker);
    worker.child.kill('SIGKILL');
  }
}

/** Memory a process holds, MB; 0 where the machine does not say. */
function memoryOf(child: ChildProcess): number {
  try {
    const [, resident] = readFileSync(`/proc/${child.pid}/statm`, 'latin1').split(' ');
    return (Number(resident) * 4096) / 1024 / 1024;
  } catch {
    return 0;
  }
}

function ask<T>(
  child: ChildProcess,
  task: string,
  sent: unknown,
  limits: IsolatedLimits,
  told: { readonly tooLong: string; readonly tooMuch: string },
): Promise<{ value: IsolatedAnswer<T>; ended: boolean }> {
  return new Promise((resolve, reject) => {
    const done = (finish: () => void) => {
      clearTimeout(timer);
      clearInterval(watch);
      child.off('message', heard);
      child.off('exit', exited);
      child.off('error', reject);
      finish();
    };
    const refuse = (refused: string) => done(() => resolve({ value: { refused }, ended: true }));
    const heard = (answer: IsolatedAnswer<T> | { readonly failed: string }) =>
      done(() => ('failed' in answer ? reject(new Error(answer.failed)) : resolve({ value: answer, ended: false })));
    const exited = () => refuse(told.tooMuch);
    const timer = setTimeout(() => refuse(told.tooLong), limits.seconds * 1000);
    const watch = setInterval(() => {
      if (memoryOf(child) > limits.megabytes) refuse(told.tooMuch);
    }, WATCH);
    child.on('message', heard);
    child.on('exit', exited);
    child.on('error', reject);
    child.send({ task, sent }, (error) => {
      if (error) done(() => reject(error));
    });
  });
}

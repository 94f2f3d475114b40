import { Problem } from './problem.ts';

/** What may be sent in files at once and over time. */
export interface UploadLimits {
  /** Files that stand in memory at the same time; the others wait. */
  readonly atOnce: number;
  /** Files that may wait. */
  readonly waiting: number;
  /** Files one user may send within `minutes`. */
  readonly perUser: number;
  readonly minutes: number;
}
export const UPLOAD_LIMITS: UploadLimits = { atOnce: 3, waiting: 60, perUser: 600, minutes: 10 };

/** The limits, with another number of files a user may send within their minutes (`YOHAKU_UPLOADS`); what is no whole number is passed over. */
export function uploadLimits(perUser?: string): UploadLimits {
  return perUser && /^\d{1,7}$/.test(perUser) ? { ...UPLOAD_LIMITS, perUser: Number(perUser) } : UPLOAD_LIMITS;
}

/** Seconds after which a full queue may have room again. */
const SOON = 5;

/** Lets in so many uploads at once, keeps the others waiting in order, and counts what each user sends. */
export class UploadQueue {
  readonly #limits: UploadLimits;
  readonly #sent = new Map<string, number[]>();
  readonly #waiting: (() => void)[] = [];
  #running = 0;

  constructor(limits: UploadLimits = UPLOAD_LIMITS) {
    this.#limits = limits;
  }

  /** @throws Problem 429 when this user sent too many, 503 when too many wait; both say when to try again */
  async run<T>(user: string, work: () => Promise<T> | T): Promise<T> {
    this.#count(user);
    if (this.#running >= this.#limits.atOnce) {
      if (this.#waiting.length >= this.#limits.waiting) throw new Problem(503, 'Busy', 'Too many files are being read. Nothing of this one was kept; drop it again in a moment.', [], SOON);
      await new Promise<void>((go) => this.#waiting.push(go));
    } else this.#running++;
    try {
      return await work();
    } finally {
      const next = this.#waiting.shift();
      if (next) next();
      else this.#running--;
    }
  }

  #count(user: string): void {
    const span = this.#limits.minutes * 60_000;
    const now = performance.now();
    // One entry a user who sent within the span: the others are forgotten here.
    for (const [one, times] of this.#sent) if (times.at(-1)! < now - span) this.#sent.delete(one);
    const times = (this.#sent.get(user) ?? []).filter((time) => time >= now - span);
    if (times.length >= this.#limits.perUser)
      throw new Problem(429, 'Too often', `More than ${this.#limits.perUser} files were sent within ${this.#limits.minutes} minutes. Wait, and drop this one again.`, [], Math.ceil((times[0]! + span - now) / 1000));
    times.push(now);
    this.#sent.set(user, times);
  }
}

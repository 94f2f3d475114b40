import { Problem } from './problem.ts';

/** The limits of uploads, at once and over time. */
export interface UploadLimits {
  /** Files that stand in memory at the same time; the others wait. */
  readonly atOnce: number;
  /** Files that may wait. */
  readonly waiting: number;
  /** Files one user may send within `minutes`. */
  readonly perUser: number;
  readonly minutes: number;
  /** Messages for a full queue and for too many requests. */
  readonly words?: { readonly often: string; readonly busy: string };
}
export const UPLOAD_LIMITS: UploadLimits = { atOnce: 3, waiting: 60, perUser: 600, minutes: 10 };

/** Messages in ten minutes: from one visitor, and to one site. */
export const LETTER_LIMITS = { perVisitor: 30, perSite: 300 } as const;
const LETTER_QUEUE: UploadLimits = {
  atOnce: 20,
  waiting: 200,
  perUser: LETTER_LIMITS.perVisitor,
  minutes: 10,
  words: {
    often:
      'Too many messages came from your address, or to this site. Your message was not sent; go back, wait ten minutes and send it again.',
    busy: 'Too many messages are arriving now. Your message was not sent; go back and send it again in a moment.',
  },
};

/** Returns the queue for messages from visitors. It is separate, so that messages do not delay the owner's uploads. */
export const letterQueue = (): UploadQueue =>
  new UploadQueue(LETTER_QUEUE, (key) => (key.startsWith('to ') ? LETTER_LIMITS.perSite : LETTER_LIMITS.perVisitor));

/**
 * The limits, with another number of files a user may send within their minutes (`YOHAKU_UPLOADS`); what is no whole
 * number is passed over.
 */
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

  readonly #most: (key: string) => number;

  constructor(limits: UploadLimits = UPLOAD_LIMITS, most: (key: string) => number = () => limits.perUser) {
    this.#limits = limits;
    this.#most = most;
  }

  /** Counts one request for each key. @throws Problem 429 when a key has too many */
  count(keys: readonly string[]): void {
    for (const key of keys) this.#count(key);
  }

  /** @throws Problem 429 when this user sent too many, 503 when too many wait; both say when to try again */
  async run<T>(users: readonly string[], work: () => Promise<T> | T): Promise<T> {
    this.count(users);
    if (this.#running >= this.#limits.atOnce) {
      if (this.#waiting.length >= this.#limits.waiting)
        throw new Problem(
          503,
          'Busy',
          this.#limits.words?.busy ??
            'Too many files are being read. This file was not added; drop it again in a moment.',
          [],
          SOON,
        );
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
    for (const [name, times] of this.#sent) if (times.at(-1)! < now - span) this.#sent.delete(name);
    const times = (this.#sent.get(user) ?? []).filter((time) => time >= now - span);
    if (times.length >= this.#most(user))
      throw new Problem(
        429,
        'Too often',
        this.#limits.words?.often ??
          `More than ${this.#limits.perUser} files were sent within ${this.#limits.minutes} minutes. Wait, and drop this one again.`,
        [],
        Math.ceil((times[0]! + span - now) / 1000),
      );
    times.push(now);
    this.#sent.set(user, times);
  }
}

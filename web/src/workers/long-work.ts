import { Injectable, inject, signal } from '@angular/core';
import type { Site, Suggestion } from '@yohaku/core';
import { Editor } from '../state/index.ts';
import type { BrandFix, FromLong, ToLong } from './messages.ts';

/** Computations that take longer than a frame, in their own worker: the audit continues, and they can be stopped. */
@Injectable({ providedIn: 'root' })
export class LongWork {
  readonly #editor = inject(Editor);
  #worker: Worker | undefined;
  #known: Site | undefined;
  #asked = 0;
  #running: { readonly asked: number; readonly end: (answer: never) => void } | undefined;
  /** How far what runs has come, 0 to 1; null while nothing does. */
  readonly share = signal<number | null>(null);

  /**
   * The least movement that makes every pair of the brand hold, with some swatches staying; null when it was stopped.
   */
  fix(locked: readonly string[]): Promise<BrandFix | null> {
    return this.#ask((asked) => ({ kind: 'fix', asked, locked }));
  }

  /** Palettes suggested from the swatches that stay; null when it was stopped. */
  suggest(stay: readonly string[]): Promise<readonly Suggestion[] | null> {
    return this.#ask((asked) => ({ kind: 'suggest', asked, stay }));
  }

  /** Stops what runs; its answer is null. */
  stop(): void {
    const running = this.#running;
    if (!running) return;
    this.#worker?.terminate();
    this.#worker = undefined;
    this.#known = undefined;
    this.#running = undefined;
    this.share.set(null);
    running.end(null as never);
  }

  /** Whoever asks last is answered: what still runs for an earlier question is stopped. */
  #ask<T>(question: (asked: number) => ToLong): Promise<T | null> {
    this.stop();
    const site = this.#editor.current();
    if (!site) return Promise.resolve(null);
    const worker = (this.#worker ??= this.#start());
    if (this.#known !== site) worker.postMessage({ kind: 'site', site } satisfies ToLong);
    this.#known = site;
    const asked = ++this.#asked;
    this.share.set(0);
    return new Promise((resolve) => {
      this.#running = { asked, end: resolve as (answer: never) => void };
      worker.postMessage(question(asked));
    });
  }

  #start(): Worker {
    const worker = new Worker(new URL('./long.worker.ts', import.meta.url), { type: 'module' });
    // A failed worker never answers, so its task ends as if it had been stopped.
    for (const failure of ['error', 'messageerror'] as const)
      worker.addEventListener(failure, (event) => {
        event.preventDefault();
        if (worker === this.#worker) this.stop();
      });
    worker.addEventListener('message', ({ data }: MessageEvent<FromLong>) => {
      const running = this.#running;
      if (data.asked !== running?.asked) return;
      if (data.kind === 'progress') return this.share.set(data.share);
      this.#running = undefined;
      this.share.set(null);
      running.end(data.answer as never);
    });
    return worker;
  }
}

import type { ContrastFieldSpec } from '@yohaku/core';
import type { FieldAnswer, FieldQuestion } from './field.worker.ts';

/** Paints the contrast field beside the desk: one field at a time, always the newest one wanted. */
export class FieldPainter {
  readonly #worker = new Worker(new URL('./field.worker.ts', import.meta.url), { type: 'module' });
  readonly #show: (bitmap: ImageBitmap) => void;
  #asked = 0;
  #busy = false;
  #next: ContrastFieldSpec | undefined;

  constructor(show: (bitmap: ImageBitmap) => void) {
    this.#show = show;
    this.#worker.addEventListener('message', ({ data }: MessageEvent<FieldAnswer>) => {
      this.#busy = false;
      this.#show(data.bitmap);
      const next = this.#next;
      this.#next = undefined;
      if (next) this.paint(next);
    });
  }

  /** Asks for a field; one that is asked for while another is painted waits, and only the last of those is painted. */
  paint(spec: ContrastFieldSpec): void {
    if (this.#busy) {
      this.#next = spec;
      return;
    }
    this.#busy = true;
    const question: FieldQuestion = { asked: ++this.#asked, spec };
    this.#worker.postMessage(question);
  }

  end(): void {
    this.#worker.terminate();
  }
}

import { Injectable, computed, signal } from '@angular/core';

/** Painted area by token, measured page by page in the frames at 1280; empty until the first page was measured. */
@Injectable({ providedIn: 'root' })
export class PaintedAreas {
  readonly #pages = signal<ReadonlyMap<string, ReadonlyMap<string, number>>>(new Map());
  /** Sum over all measured pages. */
  readonly byToken = computed(() => {
    const sum = new Map<string, number>();
    for (const areas of this.#pages().values())
      for (const [token, area] of areas) sum.set(token, (sum.get(token) ?? 0) + area);
    return sum;
  });

  /** Replaces what is known; pages that are gone fall out. */
  set(pages: ReadonlyMap<string, ReadonlyMap<string, number>>): void {
    this.#pages.set(pages);
  }
}

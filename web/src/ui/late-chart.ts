import { DestroyRef, afterNextRender, inject, signal, type Signal } from '@angular/core';

/** A chart once it is drawn. */
export interface DrawnChart<Show extends readonly unknown[]> {
  show(...what: Show): void;
  end(): void;
}

/**
 * Draws a chart after the first render, when its code has been fetched, and
 * ends it with the component. Null until then, or for good when the component
 * was gone first. Called where `inject` may be.
 */
export function lateChart<Show extends readonly unknown[]>(
  draw: () => Promise<() => DrawnChart<Show>>,
): Signal<DrawnChart<Show> | null> {
  const drawn = signal<DrawnChart<Show> | null>(null);
  const destroy = inject(DestroyRef);
  let gone = false;
  destroy.onDestroy(() => (gone = true));
  afterNextRender(async () => {
    const start = await draw();
    if (gone) return;
    const chart = start();
    destroy.onDestroy(() => chart.end());
    drawn.set(chart);
  });
  return drawn;
}

import { NEVER, Observable } from 'rxjs';

/** Animation frames that a late value waits at most: most of what a held control does in them is the nearest page. */
export const FRAMES = 12;

/**
 * Passes values on at once, except those that `late` names: of them the newest
 * is passed on when `along` tells of a good moment, or after some frames, once
 * the browser has painted. While a control is held the nearest page comes first
 * and the figures on the desk some frames later.
 */
export function afterPaint<T>(
  source: Observable<T>,
  late: (value: T) => boolean,
  along: Observable<unknown> = NEVER,
): Observable<T> {
  return new Observable<T>((subscriber) => {
    let waiting: { value: T } | undefined;
    let frame = 0;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const stop = (): void => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
      frame = 0;
      timer = undefined;
    };
    const flush = (): void => {
      stop();
      const held = waiting;
      waiting = undefined;
      if (held) subscriber.next(held.value);
    };
    const wait = (left: number): void => {
      frame = requestAnimationFrame(() => (left > 1 ? wait(left - 1) : (timer = setTimeout(flush))));
    };
    const subscription = source.subscribe((value) => {
      if (!late(value)) {
        waiting = undefined;
        return subscriber.next(value);
      }
      waiting = { value };
      if (frame === 0 && timer === undefined) wait(FRAMES);
    });
    subscription.add(along.subscribe(flush));
    return () => {
      subscription.unsubscribe();
      stop();
    };
  });
}

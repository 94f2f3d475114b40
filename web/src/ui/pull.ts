import { DestroyRef, Directive, ElementRef, Injector, inject, output } from '@angular/core';
import { createDragRef } from '@angular/cdk/drag-drop';

/** A pull on its way: where the pointer is in the window, and how far from where it began, px. */
export interface Pulled {
  readonly x: number;
  readonly y: number;
  readonly dx: number;
  readonly dy: number;
}

/**
 * Something that is pulled with the pointer and stays where it is: what it moves is
 * up to who listens. `pulling` comes with each move, `pulled` once with the last,
 * also where it was pressed and not moved. While one is pulled no page on the wall
 * takes the pointer.
 */
@Directive({ selector: '[yoPull]' })
export class Pull {
  readonly pulling = output<Pulled>();
  readonly pulled = output<Pulled>();
  /** It was pressed; nothing has moved yet. */
  readonly pullStart = output<void>();

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef);
    const drag = createDragRef(inject(Injector), host, { dragStartThreshold: 0, pointerDirectionChangeThreshold: 1 });
    let from = { x: 0, y: 0 };
    let last: Pulled | undefined;
    const at = (event: MouseEvent | TouchEvent): Pulled => {
      const { clientX: x, clientY: y } = 'touches' in event ? (event.touches[0] ?? event.changedTouches[0]!) : event;
      return { x, y, dx: x - from.x, dy: y - from.y };
    };
    const end = () => {
      document.documentElement.classList.remove('pulling');
      document.removeEventListener('mouseup', end);
      document.removeEventListener('touchend', end);
      if (last) this.pulled.emit(last);
      last = undefined;
    };
    // It stays where it is.
    drag.constrainPosition = () => from;
    const press = (event: MouseEvent | TouchEvent) => {
      if ('button' in event && event.button !== 0) return;
      from = at(event);
      last = at(event);
      document.documentElement.classList.add('pulling');
      document.addEventListener('mouseup', end);
      document.addEventListener('touchend', end);
      this.pullStart.emit();
    };
    const element = host.nativeElement;
    element.addEventListener('mousedown', press);
    element.addEventListener('touchstart', press, { passive: true });
    const move = ({ event }: { readonly event: MouseEvent | TouchEvent }) => {
      last = at(event);
      this.pulling.emit(last);
    };
    // The first move starts it, and is one.
    drag.started.subscribe(move);
    drag.moved.subscribe(move);
    drag.ended.subscribe(() => drag.reset());
    inject(DestroyRef).onDestroy(() => {
      document.documentElement.classList.remove('pulling');
      drag.dispose();
    });
  }
}

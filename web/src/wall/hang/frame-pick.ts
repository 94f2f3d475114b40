/** Where a click in a frame fell. */
export interface FramePick {
  readonly place: string;
  readonly rect: DOMRect;
  /** Where the pointer was, px of the page. */ readonly at: { readonly x: number; readonly y: number };
  /** It joins what is in hand. */ readonly joins: boolean;
}

/** Returns what a press on an element picks: the place around it, if there is one. */
export function picked(element: Element | null, event: MouseEvent, at: FramePick['at']): FramePick | undefined {
  const place = element?.closest?.('[data-place]');
  return place
    ? {
        place: place.getAttribute('data-place')!,
        rect: place.getBoundingClientRect(),
        at,
        joins: event.shiftKey || event.ctrlKey || event.metaKey,
      }
    : undefined;
}

import { Injectable } from '@angular/core';

/** Frames that are kept empty at most: as many as come while others go. */
const MOST = 6;

/**
 * Moves a node and keeps what is loaded in it; not every browser has it, and TypeScript's library does not know it yet.
 */
type Mover = HTMLElement & { moveBefore?(node: Node, before: Node | null): void };

/**
 * Frames without a page that are ready to be filled. To put a frame into the desk
 * and to take it away hold it for 20 ms each, and its shell is loaded anew; so one
 * that goes is emptied, put by, and hung with the next page. Where a browser loads
 * a frame anew that is moved, none is put by.
 */
@Injectable({ providedIn: 'root' })
export class Shells {
  readonly #free: { readonly siteId: string; readonly frame: HTMLIFrameElement }[] = [];
  #rack: Mover | undefined;

  /** Moves a frame of a site that is free to the beginning of an element. @returns undefined when none is */
  take(siteId: string, parent: HTMLElement): HTMLIFrameElement | undefined {
    const at = this.#free.findIndex((element) => element.siteId === siteId);
    if (at < 0) return undefined;
    const { frame } = this.#free.splice(at, 1)[0]!;
    (parent as Mover).moveBefore!(frame, parent.firstChild);
    return frame;
  }

  /** Empties a frame that is still on the wall and puts it by. @returns whether there was room for it */
  give(siteId: string, frame: HTMLIFrameElement): boolean {
    const rack = (this.#rack ??= this.#built());
    if (!rack.moveBefore || this.#free.length >= MOST || !frame.isConnected || !frame.contentDocument) return false;
    rack.moveBefore(frame, null);
    frame.contentDocument.body.replaceChildren();
    frame.removeAttribute('title');
    this.#free.push({ siteId, frame });
    return true;
  }

  #built(): Mover {
    const rack: Mover = document.createElement('div');
    rack.setAttribute('aria-hidden', 'true');
    rack.inert = true;
    Object.assign(rack.style, {
      position: 'fixed',
      insetBlockStart: '0',
      insetInlineStart: '0',
      width: '0',
      height: '0',
      overflow: 'hidden',
      visibility: 'hidden',
      contain: 'strict',
    });
    document.body.append(rack);
    return rack;
  }
}

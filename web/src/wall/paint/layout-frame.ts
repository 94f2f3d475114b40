import type { Site } from '@yohaku/core';
import { pageSource } from './frame-source.ts';
import { FramePainter } from './frame-painter.ts';
import { isThere, siteFrame } from './site-frame.ts';
import { turn } from './after-input.ts';

/** The longest wait for the empty page, ms. */
const LOAD_MS = 15_000;

/** The document out of sight, and when it is there. */
interface Opened {
  readonly siteId: string;
  readonly element: HTMLIFrameElement;
  readonly loaded: Promise<unknown>;
}

/**
 * How a page is laid out otherwise than as it is: with styles on top of its own, or in what stands in for its fonts.
 */
export interface LaidOut {
  readonly onTop?: string;
  readonly standIn?: boolean;
}

/**
 * A document out of sight in which pages are laid out to be read: what is read never depends on what hangs on the wall,
 * nor on how it is shown there.
 */
export class LayoutFrame {
  readonly #siteId: () => string;
  #frame: Opened | undefined;
  #laid:
    | { readonly site: Site; readonly page: string; readonly standIn: boolean; readonly painter: FramePainter }
    | undefined;
  #before: Promise<unknown> = Promise.resolve();

  constructor(siteId: () => string) {
    this.#siteId = siteId;
  }

  /**
   * Lays a page out at a width, with its fonts there, and reads it. One after the
   * other, however many ask; to write a page, to style it, to lay it out and to
   * read it are tasks of their own.
   */
  read<T>(
    site: Site,
    page: string,
    width: number,
    how: LaidOut,
    reading: (document: Document) => T | Promise<T>,
  ): Promise<T> {
    const read = this.#before.then(async () => reading(await this.#lay(site, page, width, how)));
    this.#before = read.catch(() => undefined);
    return read;
  }

  async #lay(site: Site, page: string, width: number, { onTop = '', standIn = false }: LaidOut): Promise<Document> {
    const { element, loaded } = this.#opened();
    await loaded;
    const document = element.contentDocument!;
    if (this.#laid?.site !== site || this.#laid.page !== page || this.#laid.standIn !== standIn) {
      const painter = new FramePainter(document, pageSource(page));
      painter.standIn(standIn);
      painter.onTop(onTop);
      painter.paint(site);
      this.#laid = { site, page, standIn, painter };
    } else this.#laid.painter.onTop(onTop);
    element.style.width = `${width}px`;
    await turn();
    void getComputedStyle(document.body).color;
    await turn();
    // Font loading can be awaited only after a layout.
    await document.fonts.ready;
    await turn();
    return document;
  }

  /** The frame, of this site: pictures come from where its pages are. */
  #opened(): Opened {
    const siteId = this.#siteId();
    if (this.#frame?.siteId === siteId) return this.#frame;
    this.#frame?.element.remove();
    this.#laid = undefined;
    const element = siteFrame(siteId);
    element.setAttribute('aria-hidden', 'true');
    element.inert = true;
    Object.assign(element.style, {
      position: 'fixed',
      insetBlockStart: '0',
      insetInlineStart: '-4000px',
      height: '900px',
      border: '0',
      visibility: 'hidden',
      pointerEvents: 'none',
    });
    const loaded = new Promise<void>((resolve, reject) => {
      const late = setTimeout(() => reject(new Error('The hidden page for measuring did not load')), LOAD_MS);
      element.addEventListener('load', () => {
        if (!isThere(element)) return;
        clearTimeout(late);
        resolve();
      });
    });
    document.body.append(element);
    const opened: Opened = { siteId, element, loaded };
    // The next reader starts a failed load again.
    loaded.catch(() => {
      if (this.#frame !== opened) return;
      element.remove();
      this.#frame = undefined;
    });
    return (this.#frame = opened);
  }
}

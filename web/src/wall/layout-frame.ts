import type { Site } from '@yohaku/core';
import { pageSource } from './frame-source.ts';
import { FramePainter } from './frame-painter.ts';
import { turn } from './turn.ts';

/** A document out of sight in which pages are laid out to be read: what is read never depends on what hangs on the wall. */
export class LayoutFrame {
  readonly #siteId: () => string;
  #frame: Promise<HTMLIFrameElement> | undefined;
  #laid: { readonly site: Site; readonly page: string; readonly onTop: string; readonly standIn: boolean } | undefined;

  constructor(siteId: () => string) {
    this.#siteId = siteId;
  }

  /** Lays a page out at a width, with its fonts there, or what stands in for them, and with styles on top of its own. */
  async lay(site: Site, page: string, width: number, { onTop = '', standIn = false }: { readonly onTop?: string; readonly standIn?: boolean } = {}): Promise<Document> {
    const frame = await (this.#frame ??= this.#open());
    const document = frame.contentDocument!;
    const laid = this.#laid;
    const anew = laid?.site !== site || laid.page !== page || laid.onTop !== onTop || laid.standIn !== standIn;
    if (anew) {
      const painter = new FramePainter(document, pageSource(page));
      painter.standIn(standIn);
      painter.onTop(onTop);
      painter.paint(site);
    }
    this.#laid = { site, page, onTop, standIn };
    frame.style.width = `${width}px`;
    // Written and laid out in tasks of their own: whether fonts are there cannot be asked without laying out.
    if (anew) await turn();
    await document.fonts.ready;
    return document;
  }

  #open(): Promise<HTMLIFrameElement> {
    const frame = document.createElement('iframe');
    frame.setAttribute('sandbox', 'allow-same-origin');
    frame.setAttribute('aria-hidden', 'true');
    frame.tabIndex = -1;
    frame.inert = true;
    Object.assign(frame.style, { position: 'fixed', insetBlockStart: '0', insetInlineStart: '-4000px', height: '900px', border: '0', visibility: 'hidden', pointerEvents: 'none' });
    return new Promise((resolve) => {
      frame.addEventListener('load', () => frame.contentDocument?.URL !== 'about:blank' && resolve(frame));
      frame.src = `/frame/${this.#siteId()}/`;
      document.body.append(frame);
    });
  }
}

import { Injectable, effect, inject, untracked } from '@angular/core';
import { Store } from '@ngrx/store';
import { AUDIT_WIDTHS, FOCUS_POINTS, assetFile, pixelSets, siteIndex, type PixelSet, type Site } from '@yohaku/core';
import { PixelsRead, siteFeature } from '../state/index.ts';
import { LayoutFrame } from './layout-frame.ts';
import { readFocuses, readPixels } from './read-pixels.ts';

/** After this long without an edit the pixels are read anew. */
const QUIET_MS = 500;

/** Keeps what lies behind the texts over pictures in step with the site: lays their pages out beside the wall, at every width that is judged. */
@Injectable({ providedIn: 'root' })
export class PictureReader {
  readonly #store = inject(Store);
  readonly #read = inject(PixelsRead);
  readonly #current = this.#store.selectSignal(siteFeature.selectCurrent);
  readonly #siteId = this.#store.selectSignal(siteFeature.selectSiteId);
  readonly #apart = new LayoutFrame(() => this.#siteId());
  #timer: ReturnType<typeof setTimeout> | undefined;
  #known: readonly unknown[] = [];
  #busy: Promise<void> = Promise.resolve();

  constructor() {
    effect(() => {
      const site = this.#current();
      untracked(() => {
        clearTimeout(this.#timer);
        if (site) this.#timer = setTimeout(() => this.#then(() => this.#follow(site)), QUIET_MS);
      });
    });
    effect(() => {
      const [site, asked] = [this.#current(), this.#read.asked()];
      // After the pixels of the page itself: those have been asked for before.
      untracked(() => site && asked && setTimeout(() => this.#then(() => (site === this.#current() ? this.#turn(site, asked) : Promise.resolve())), QUIET_MS));
    });
  }

  /** Lays a page out once more and reads one picture with every focus point that is tried. */
  async #turn(site: Site, { page, surface }: { page: string; surface: string }): Promise<void> {
    const sets = FOCUS_POINTS.map((): PixelSet[] => []);
    const done = await this.#atEachWidth(site, page, async (document, width) => {
      (await readFocuses(document, site, page, width, surface, FOCUS_POINTS)).forEach((list, i) => sets[i]!.push(...list));
      return site === this.#current() && this.#read.asked()?.surface === surface;
    });
    if (!done) return;
    this.#read.turned.set({ site, surface, sets: new Map(FOCUS_POINTS.map((point, i) => [point, pixelSets(sets[i]!)])) });
  }

  /** One reading at a time: they share a document. */
  #then(work: () => Promise<void>): void {
    this.#busy = this.#busy.then(work, work);
  }

  async #follow(site: Site): Promise<void> {
    // Colours move no line of text: only what the layout hangs on asks for new pixels.
    const { brand } = site;
    const layout = [site.pages, site.shared, site.assets, site.pageOrder, brand.styles, brand.families, brand.scale, brand.spaces, brand.sizes, brand.corners, brand.logo, brand.variantOrder, Object.values(site.assets).map((asset) => assetFile(asset, brand)).join(), brand.groundOrder.map((id) => brand.grounds[id]!.wash?.angle ?? '').join()];
    if (layout.length === this.#known.length && layout.every((part, i) => part === this.#known[i])) return;
    const index = siteIndex(site);
    const pages = index.pagesWith(new Set(index.groups.filter((group) => group.overPicture)));
    const sets: PixelSet[] = [];
    for (const page of pages) {
      const done = await this.#atEachWidth(site, page, async (document, width) => {
        sets.push(...(await readPixels(document, site, page, width)));
        await new Promise((resolve) => requestIdleCallback(resolve, { timeout: 200 }));
        return site === this.#current();
      });
      if (!done) return;
    }
    this.#known = layout;
    this.#read.sets.set(pixelSets(sets));
  }

  /** Lays a page out at every width that is judged, as long as `read` wants to go on. @returns whether it went to the end */
  async #atEachWidth(site: Site, page: string, read: (document: Document, width: number) => Promise<boolean>): Promise<boolean> {
    for (const width of AUDIT_WIDTHS) if (!(await this.#apart.read(site, page, width, {}, (document) => read(document, width)))) return false;
    return true;
  }
}

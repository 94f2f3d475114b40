import { Injectable, computed, effect, inject, untracked } from '@angular/core';
import { Store } from '@ngrx/store';
import { AUDIT_WIDTHS, FOCUS_POINTS, assetFile, pixelSets, siteIndex, type PixelSet, type Site } from '@yohaku/core';
import { PixelsRead, layoutInputs, sameInputs, siteFeature, type LayoutInputs } from '../../state/index.ts';
import { Calm, type GoesOn } from './calm.ts';
import { LayoutFrame } from '../paint/index.ts';
import { readFocuses, readPixels } from './read-pixels.ts';
import { PageReadings } from './page-readings.ts';

/** After this long without an edit a picture is tried with other focus points. */
const QUIET_MS = 500;

/**
 * Returns the parts that the pixels behind the texts of a page depend on. Colours move no line of text, and the
 * position of a text along a gradient does not depend on its ends.
 */
function pixelGround(site: Site, page: string): LayoutInputs {
  const { brand, assets } = site;
  return [
    ...layoutInputs(site, page),
    brand.corners,
    brand.variantOrder,
    Object.values(assets)
      .map((asset) => assetFile(asset, brand))
      .join(),
    brand.groundOrder.map((id) => brand.grounds[id]!.wash?.angle ?? '').join(),
  ];
}

/**
 * Reads what lies behind the texts over pictures and gradients, page by page, at every width that is judged; a page
 * whose layout has not changed is not read again.
 */
@Injectable({ providedIn: 'root' })
export class PictureReader {
  readonly #store = inject(Store);
  readonly #calm = inject(Calm);
  readonly #read = inject(PixelsRead);
  readonly #readings = inject(PageReadings);
  readonly #current = this.#store.selectSignal(siteFeature.selectCurrent);
  readonly #siteId = this.#store.selectSignal(siteFeature.selectSiteId);
  readonly #apart = new LayoutFrame(() => this.#siteId());
  readonly #known = new Map<string, LayoutInputs>();
  #knownOf = '';
  /** The section of the text in hand: one for all texts on it. */
  readonly #section = computed(
    () => {
      const text = this.#read.asked();
      return text?.surface ? { page: text.page, surface: text.surface } : null;
    },
    { equal: (entry, other) => entry?.page === other?.page && entry?.surface === other?.surface },
  );
  #timer: ReturnType<typeof setTimeout> | undefined;
  #busy: Promise<unknown> = Promise.resolve();

  constructor() {
    effect(() => {
      const [site, section] = [this.#current(), this.#section()];
      untracked(() => {
        clearTimeout(this.#timer);
        // One at a time: each turns the picture twenty-five ways.
        if (site && section)
          this.#timer = setTimeout(() => {
            this.#busy = this.#busy.then(
              () => this.#turn(site, section),
              () => undefined,
            );
          }, QUIET_MS);
      });
    });
  }

  /** Pages on which some text stands over a picture or a gradient. */
  pagesOf(site: Site): ReadonlySet<string> {
    if (this.#knownOf !== site.id) this.#known.clear();
    this.#knownOf = site.id;
    const index = siteIndex(site);
    return new Set(index.pagesWith(new Set(index.groups.filter((group) => group.overPicture))));
  }

  /**
   * Reads one page of those, unless it is laid out as it was read; of another what was read before is taken back.
   * @returns whether it went to the end
   */
  async read(
    apart: LayoutFrame,
    site: Site,
    page: string,
    over: ReadonlySet<string>,
    goesOn: GoesOn,
  ): Promise<boolean> {
    const ground = pixelGround(site, page);
    const known = this.#known.get(page);
    if (over.has(page) ? sameInputs(known, ground) : !known) return true;
    const sets: (readonly [number, readonly PixelSet[]])[] = [];
    for (const width of AUDIT_WIDTHS) {
      if (!over.has(page)) sets.push([width, []]);
      else if (await goesOn())
        sets.push([
          width,
          await apart.read(site, page, width, {}, (document) => readPixels(document, site, page, width)),
        ]);
      else return false;
    }
    if (site !== this.#current()) return false;
    if (over.has(page)) this.#known.set(page, ground);
    else this.#known.delete(page);
    for (const [width, pixels] of sets) this.#readings.takePixels(site, page, width, pixels);
    return true;
  }

  /** Lays a page out once more and reads one picture with every focus point that is tried. */
  async #turn(site: Site, section: { readonly page: string; readonly surface: string }): Promise<void> {
    const sets = FOCUS_POINTS.map((): PixelSet[] => []);
    for (const width of AUDIT_WIDTHS) {
      await this.#calm.whenCalm();
      if (site !== this.#current() || this.#section()?.surface !== section.surface) return;
      const read = await this.#apart.read(site, section.page, width, {}, (document) =>
        readFocuses(document, site, section.page, width, section.surface, FOCUS_POINTS),
      );
      read.forEach((list, i) => sets[i]!.push(...list));
    }
    if (site !== this.#current()) return;
    this.#read.turned.set({
      site,
      surface: section.surface,
      sets: new Map(FOCUS_POINTS.map((point, i) => [point, pixelSets(sets[i]!)])),
    });
  }
}

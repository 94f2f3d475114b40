import { Injectable, inject, signal } from '@angular/core';
import { publishedPage, publishedPages, type PixelSet, type Site } from '@yohaku/core';
import {
  PagesRead,
  PaintedAreas,
  layoutInputs,
  sameInputs,
  type LayoutInputs,
  type PageReading,
} from '../../state/index.ts';
import type { Areas } from './areas.ts';
import type { PageMeasurements } from './page-measurements.ts';

/** Widths at which pages hang and are read. */
export const READ_WIDTHS = [1280, 390] as const;

const keyOf = (page: string, width: number): string => `${page} ${width}`;

/** Of a page at a width that was read: what its layout hung on, how tall it is, and at 1280 what it paints. */
interface Known {
  readonly page: string;
  readonly ground: LayoutInputs;
  readonly height: number;
  readonly areas: Areas | null;
}

/**
 * The measurements of every page at both widths: heights for the wall, areas for the palette. Values for rules go to
 * the audit.
 */
@Injectable({ providedIn: 'root' })
export class PageReadings {
  readonly #areas = inject(PaintedAreas);
  readonly #told = inject(PagesRead);
  readonly #known = new Map<string, Known>();
  /** Read, and not handed on yet. */
  #toTell: PageReading[] = [];
  #siteId = '';
  #changed = false;
  /** Heights in px by page and width, as far as they are known. */
  readonly heights = signal<ReadonlyMap<string, number>>(new Map());

  heightOf(page: string, width: number): number | undefined {
    return this.heights().get(keyOf(page, width));
  }

  /** Notes how tall a page is that hangs. */
  tall(page: string, width: number, height: number): void {
    const key = keyOf(page, width);
    if (this.heights().get(key) !== height) this.heights.update((heights) => new Map(heights).set(key, height));
  }

  /** Takes what was read of a page. */
  take(site: Site, { page, width, height, areas, readings }: PageMeasurements): void {
    this.#of(site);
    const key = keyOf(page, width);
    const before = this.#known.get(key);
    this.#changed ||= before?.height !== height || !sameAreas(before.areas, areas);
    this.#known.set(key, { page, ground: layoutInputs(site, page), height, areas });
    this.#toTell.push({ page, width, layout: readings });
  }

  /** Takes what lies behind its texts over pictures. */
  takePixels(site: Site, page: string, width: number, pixels: readonly PixelSet[]): void {
    this.#of(site);
    this.#toTell.push({ page, width, pixels });
  }

  /** Forgets the measurements of another site. */
  #of({ id }: Site): void {
    if (id !== this.#siteId) this.#toTell = [];
    this.#siteId = id;
  }

  /** Returns true if a page was read as it is laid out now. */
  isRead(site: Site, page: string, width: number): boolean {
    return sameInputs(this.#known.get(keyOf(page, width))?.ground, layoutInputs(site, page));
  }

  /** Hands on what has been read; pages that are gone fall out. */
  tell(site: Site): void {
    this.#of(site);
    if (this.#toTell.length > 0) this.#told.read.next({ siteId: site.id, readings: this.#toTell });
    this.#toTell = [];
    for (const [key, { page }] of this.#known)
      if (!publishedPage(site, page)) {
        this.#known.delete(key);
        this.#changed = true;
      }
    if (!this.#changed) return;
    this.#changed = false;
    const areas = new Map<string, Areas>();
    const heights = new Map(this.heights());
    for (const { id: page } of publishedPages(site))
      for (const width of READ_WIDTHS) {
        const known = this.#known.get(keyOf(page, width));
        if (!known) continue;
        if (known.areas) areas.set(page, known.areas);
        heights.set(keyOf(page, width), known.height);
      }
    this.heights.set(heights);
    this.#areas.set(areas);
  }
}

const sameAreas = (areas: Areas | null, other: Areas | null): boolean =>
  areas === other ||
  (!!areas && !!other && areas.size === other.size && [...areas].every(([token, area]) => other.get(token) === area));

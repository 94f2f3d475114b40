import { Injectable, inject, signal } from '@angular/core';
import type { LayoutReading, Site } from '@yohaku/core';
import { LayoutRead, PaintedAreas } from '../state/index.ts';
import type { Areas } from './areas.ts';
import { layoutGround, sameGround, type LayoutGround } from './layout-ground.ts';
import type { SheetReading } from './sheet-reading.ts';

/** Widths at which pages hang and are read. */
export const SHEET_WIDTHS = [1280, 390] as const;

const keyOf = (page: string, width: number): string => `${page} ${width}`;

/** What has been read of every page at both widths, whether it hangs or not: heights for the wall, and what goes on to audit, palette and publishing. */
@Injectable({ providedIn: 'root' })
export class Sheets {
  readonly #areas = inject(PaintedAreas);
  readonly #read = inject(LayoutRead);
  readonly #known = new Map<string, { readonly ground: LayoutGround; readonly reading: SheetReading; readonly said: string }>();
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
  take(site: Site, reading: SheetReading): void {
    const key = keyOf(reading.page, reading.width);
    const said = JSON.stringify([reading.readings, reading.areas ? [...reading.areas] : null]);
    this.#changed ||= this.#known.get(key)?.said !== said;
    this.#known.set(key, { ground: layoutGround(site, reading.page), reading, said });
  }

  /** Whether a page was read as it is laid out now. */
  isRead(site: Site, page: string, width: number): boolean {
    return sameGround(this.#known.get(keyOf(page, width))?.ground, layoutGround(site, page));
  }

  /** Gives on what has been read; pages that are gone fall out. */
  tell(site: Site): void {
    for (const [key, { reading }] of this.#known) if (!site.pages[reading.page]) {
      this.#known.delete(key);
      this.#changed = true;
    }
    if (!this.#changed) return;
    this.#changed = false;
    const readings: LayoutReading[] = [];
    const areas = new Map<string, Areas>();
    const heights = new Map(this.heights());
    for (const page of site.pageOrder) for (const width of SHEET_WIDTHS) {
      const known = this.#known.get(keyOf(page, width))?.reading;
      if (!known) continue;
      for (const one of known.readings) readings.push(one);
      if (known.areas) areas.set(page, known.areas);
      heights.set(keyOf(page, width), known.height);
    }
    this.heights.set(heights);
    this.#areas.set(areas);
    this.#read.readings.set(readings);
  }
}

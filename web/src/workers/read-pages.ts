import {
  NO_PIXELS,
  NO_READINGS,
  pixelSets,
  publishedPage,
  type LayoutReading,
  type PixelSet,
  type PixelSets,
  type Site,
} from '@yohaku/core';
import type { PageReading } from '../state/index.ts';

/**
 * The measurements of the pages of one site so far. A repeated equal measurement keeps its object, so nothing is judged
 * again.
 */
export class ReadPages {
  layout: readonly LayoutReading[] = NO_READINGS;
  pixels: PixelSets = NO_PIXELS;
  readonly #layouts = new Map<string, readonly LayoutReading[]>();
  readonly #pixels = new Map<string, readonly PixelSet[]>();
  #siteId = '';
  #site: Site | undefined;
  #gone = '';

  /** Takes what was read of a site. @returns whether anything is otherwise than before */
  take(siteId: string, readings: readonly PageReading[]): boolean {
    this.#of(siteId);
    let [layout, pixels] = [false, false];
    for (const reading of readings) {
      const key = `${reading.page} ${reading.width}`;
      if (reading.layout && !sameReadings(this.#layouts.get(key) ?? NO_READINGS, reading.layout)) {
        this.#layouts.set(key, reading.layout);
        layout = true;
      }
      if (!reading.pixels) continue;
      const known = this.#pixels.get(key) ?? [];
      const now = reading.pixels.map((set) => known.find((entry) => sameSet(entry, set)) ?? set);
      if (now.length === known.length && now.every((set, i) => set === known[i])) continue;
      this.#pixels.set(key, now);
      pixels = true;
    }
    this.#gather(layout, pixels);
    return layout || pixels;
  }

  /** The site as it is now: a page that is gone counts no more, and again when it comes back by undo. */
  follow(site: Site): void {
    this.#of(site.id);
    this.#site = site;
    const gone = [...this.#layouts.keys(), ...this.#pixels.keys()].filter((key) => !this.#counts(key)).join();
    if (gone !== this.#gone) this.#gather(true, true);
    this.#gone = gone;
  }

  /** Of another site nothing is known. Its pages may be read before it is here whole. */
  #of(siteId: string): void {
    if (siteId === this.#siteId) return;
    this.#siteId = siteId;
    this.#site = undefined;
    this.#gone = '';
    this.#layouts.clear();
    this.#pixels.clear();
    this.#gather(true, true);
  }

  #counts(key: string): boolean {
    return !this.#site || publishedPage(this.#site, key.slice(0, key.lastIndexOf(' '))) !== undefined;
  }

  #gather(layout: boolean, pixels: boolean): void {
    const all = <T>(map: ReadonlyMap<string, readonly T[]>): T[] =>
      [...map].flatMap(([key, list]) => (this.#counts(key) ? list : []));
    if (layout) this.layout = this.#layouts.size > 0 ? all(this.#layouts) : NO_READINGS;
    if (pixels) this.pixels = this.#pixels.size > 0 ? pixelSets(all(this.#pixels)) : NO_PIXELS;
  }
}

const sameReadings = (bytes: readonly LayoutReading[], other: readonly LayoutReading[]): boolean =>
  bytes.length === other.length &&
  bytes.every(
    (reading, i) =>
      reading.place === other[i]!.place && reading.rule === other[i]!.rule && reading.found === other[i]!.found,
  );

const sameFigures = (bytes: ArrayLike<number> = [], other: ArrayLike<number> = []): boolean => {
  if (bytes.length !== other.length) return false;
  for (let i = 0; i < bytes.length; i++) if (bytes[i] !== other[i]) return false;
  return true;
};

const sameSet = (entry: PixelSet, other: PixelSet): boolean =>
  entry.place === other.place &&
  entry.area === other.area &&
  entry.problem === other.problem &&
  sameFigures(entry.rgb, other.rgb) &&
  sameFigures(entry.along, other.along) &&
  sameFigures(entry.at, other.at);

import { Injectable, effect, inject, untracked } from '@angular/core';
import { Store } from '@ngrx/store';
import { readPixelsJson, type LayoutReading, type Measured, type PixelSet, type Site } from '@yohaku/core';
import { firstValueFrom } from 'rxjs';
import { SiteApi } from '../api/index.ts';
import {
  AuditActions,
  MeasuredBefore,
  PagesRead,
  auditFeature,
  layoutHashes,
  siteFeature,
  type PageReading,
} from '../state/index.ts';
import { AuditLink } from './audit-link.ts';

/** Measurements are kept when nothing was edited or measured for so many ms. */
const QUIET_MS = 3000;
/** Widths at which pages are measured, px. */
const WIDTHS = [1280, 390] as const;
/** Characters of pixels at most that are kept for a site. */
const MOST_PIXELS = 12_000_000;

/**
 * Begins with what was measured of the site's unchanged pages before, and keeps what is measured now for the next
 * opening.
 */
@Injectable({ providedIn: 'root' })
export class MeasureKeeper {
  readonly #api = inject(SiteApi);
  readonly #store = inject(Store);
  readonly #link = inject(AuditLink);
  readonly #told = inject(PagesRead);
  readonly #before = inject(MeasuredBefore);
  readonly #state = this.#store.selectSignal(siteFeature.selectSiteState);
  readonly #measuring = this.#store.selectSignal(auditFeature.selectMeasuring);
  #openedOf = '';
  /** The hashes that the server has, as JSON. */
  #kept = '';
  #timer: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    effect(() => {
      const { status, opening, siteId, current } = this.#state();
      if (status !== 'ready' || opening || !current || siteId === this.#openedOf) return;
      this.#openedOf = siteId;
      this.#kept = '';
      untracked(() => void this.#begin(siteId));
    });
    effect(() => {
      const { current, preview } = this.#state();
      const isDone = this.#measuring() === null;
      clearTimeout(this.#timer);
      if (isDone && current && !preview) this.#timer = setTimeout(() => void this.#keep(current), QUIET_MS);
    });
  }

  /** Hands on what was measured before of pages that are the same. Without an answer everything is measured anew. */
  async #begin(siteId: string): Promise<void> {
    const measured = await firstValueFrom(this.#api.measured(siteId)).then(
      (answer) => answer.measured,
      () => null,
    );
    const site = this.#state().current;
    const hashes = measured && site?.id === siteId ? await layoutHashes(site) : null;
    if (!measured || !hashes || !site || this.#state().siteId !== siteId) return;
    this.#kept = JSON.stringify(measured.pages);
    const same = Object.keys(hashes).filter((page) => measured.pages[page] === hashes[page]);
    if (same.length === 0) return;
    this.#before.note(site, same);
    this.#told.read.next({ siteId, readings: pagesAtWidths(measured, new Set(same)) });
    const { current } = this.#state();
    if (current && this.#before.knowsAll(current)) this.#store.dispatch(AuditActions.measuring({ measuring: null }));
  }

  async #keep(site: Site): Promise<void> {
    const isStill = (): boolean => this.#state().current === site && this.#measuring() === null;
    const hashes = isStill() ? await layoutHashes(site) : null;
    if (!hashes || JSON.stringify(hashes) === this.#kept || !isStill()) return;
    const evidence = await this.#link.evidence(MOST_PIXELS).catch(() => null);
    if (!evidence?.pixels || !isStill()) return;
    const pages = new Set(Object.keys(hashes));
    const measured: Measured = {
      pages: hashes,
      layout: evidence.layout.filter(({ page }) => pages.has(page)),
      pixels: evidence.pixels.filter(({ page }) => pages.has(page)),
    };
    // If keeping fails, the next opening measures the pages again.
    await firstValueFrom(this.#api.keepMeasured(site.id, measured)).then(
      () => (this.#kept = JSON.stringify(hashes)),
      () => undefined,
    );
  }
}

/** Returns the measurements of some pages, by page and width. A page without findings has an empty list. */
function pagesAtWidths(measured: Measured, pages: ReadonlySet<string>): PageReading[] {
  interface PageAtWidth {
    readonly page: string;
    readonly width: number;
    readonly layout: LayoutReading[];
    readonly pixels: PixelSet[];
  }
  const readings = new Map(
    [...pages].flatMap((page) =>
      WIDTHS.map((width): [string, PageAtWidth] => [`${page} ${width}`, { page, width, layout: [], pixels: [] }]),
    ),
  );
  for (const reading of measured.layout) readings.get(`${reading.page} ${reading.width}`)?.layout.push(reading);
  for (const set of readPixelsJson(measured.pixels).values())
    readings.get(`${set.page} ${set.width}`)?.pixels.push(set);
  return [...readings.values()];
}

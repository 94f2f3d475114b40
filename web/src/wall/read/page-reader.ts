import { Injectable, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { pageTree, publishedPage, publishedPages, siteIndex, stressCss, type Site } from '@yohaku/core';
import {
  AuditActions,
  MeasuredBefore,
  MotionShown,
  deskFeature,
  layoutInputs,
  sameInputs,
  siteFeature,
  type Row,
} from '../../state/index.ts';
import { readBreaks, type Break } from './breaks.ts';
import { Calm, type GoesOn } from './calm.ts';
import { comparing, readLayout, type LayoutSnapshot } from './compare.ts';
import { Found } from './read-findings.ts';
import { type FramePainter, type HungFrame, LayoutFrame, laidOut } from '../paint/index.ts';
import { SPACED_OUT, readTextSpacing } from './text-spacing.ts';
import { heightOf } from './height-of.ts';
import { PictureReader } from './picture-reader.ts';
import { measurePage, type PageMeasurements } from './page-measurements.ts';
import { READ_WIDTHS, PageReadings } from './page-readings.ts';
import { inSlices } from './slices.ts';

/** While many pages are read, what was found is told after each so many ms, and of a site just opened soon. */
const TELL_MS = 8000;
const TELL_FIRST_MS = 1200;

/** A page at a width at which pages are read. */
interface PageAtWidth {
  readonly key: string;
  readonly page: string;
  readonly width: number;
}

/**
 * Compares what hangs with the model, and reads every page as it is laid out, when
 * the wall is quiet. Compared is what is seen; read is in a document out of sight,
 * whatever hangs and however it is shown there.
 */
@Injectable({ providedIn: 'root' })
export class PageReader {
  readonly #store = inject(Store);
  readonly #calm = inject(Calm);
  readonly #motion = inject(MotionShown);
  readonly #readings = inject(PageReadings);
  readonly #found = inject(Found);
  readonly #pictures = inject(PictureReader);
  readonly #before = inject(MeasuredBefore);
  readonly #siteId = this.#store.selectSignal(siteFeature.selectSiteId);
  readonly #current = this.#store.selectSignal(siteFeature.selectCurrent);
  readonly #painted = this.#store.selectSignal(siteFeature.selectPainted);
  readonly #last = this.#store.selectSignal(siteFeature.selectLast);
  readonly #standIns = this.#store.selectSignal(deskFeature.selectStandIns);
  readonly #stress = this.#store.selectSignal(deskFeature.selectStress);
  readonly #apart = new LayoutFrame(() => this.#siteId());
  readonly #layouts = new Map<
    string,
    { edit: string; before: LayoutSnapshot | undefined; now: LayoutSnapshot; rows: readonly Row[] }
  >();
  /** The site whose pages those are, and when what was read of them was told. */
  #layoutsOf = '';
  #told: number | null = null;
  /** Which site a page that hangs was compared with. */
  #compared = new WeakMap<FramePainter, Site>();
  /** Counts the times it was asked to read. */
  #turn = 0;

  /** Forgets the comparisons so far, which do not apply to the next painting. */
  forget(): void {
    this.#compared = new WeakMap();
  }

  /** Ends what is being read. */
  stop(): void {
    this.#turn++;
  }

  /**
   * Shows or hides what stands in for the fonts, and measures what that does to the height of the pages. `laid`: those
   * that hang are laid out anew.
   */
  async pretend(hung: () => readonly HungFrame[], only: boolean, laid: () => void): Promise<void> {
    const all = hung();
    const frames = all.filter((frame) => !frame.part && laidOut(frame));
    const before = frames.map((frame) => heightOf(frame.painter.document));
    for (const frame of all) frame.painter.standIn(only);
    // A font begins to load when text is laid out in it.
    for (const frame of frames) void heightOf(frame.painter.document);
    await Promise.all(frames.map((frame) => frame.painter.document.fonts.ready));
    await new Promise((resolve) => requestAnimationFrame(resolve));
    const moved = frames.flatMap((frame, i) =>
      hung().includes(frame) ? [heightOf(frame.painter.document) / Math.max(1, before[i]!) - 1] : [],
    );
    const tell = () =>
      this.#found.shift.set(
        only && this.#standIns() && moved.length > 0
          ? { most: moved.reduce((most, value) => (Math.abs(value) > Math.abs(most) ? value : most), 0) }
          : null,
      );
    tell();
    laid();
    const site = this.#painted();
    if (!only || !site) return;
    // Then the pages that do not hang, against the heights they were read with.
    const measured = new Set(frames.map((frame) => frame.key));
    for (const { key, page, width } of pagesAtWidths(pagesFirst(site, []))) {
      const was = measured.has(key) ? undefined : this.#readings.heightOf(page, width);
      if (was === undefined) continue;
      await this.#calm.whenCalm();
      if (!this.#standIns() || this.#painted() !== site) return;
      moved.push((await this.#apart.read(site, page, width, { standIn: true }, heightOf)) / Math.max(1, was) - 1);
      tell();
    }
  }

  /**
   * Compares and reads what has to be; what was begun before ends. @returns whether it is to be asked again: something
   * moves
   */
  async read(hung: () => readonly HungFrame[]): Promise<boolean> {
    const site = this.#painted();
    const turn = ++this.#turn;
    if (!site) return false;
    /** Returns true if it is still the one that is painted and this the newest reading, once there is time. */
    const goesOn = async (): Promise<boolean> => {
      await this.#calm.whenCalm();
      return this.#painted() === site && turn === this.#turn;
    };
    if (this.#stress().length > 0) {
      await this.#readBreaks(site, hung, goesOn);
      // The colour behind a text is always that of its own content.
      const own = this.#current();
      if (own && this.#painted() === site) await this.#readPictures(own, hung, goesOn);
    } else if (site === this.#current()) {
      // A moving page is not at rest; it is compared later.
      if (this.#motion.playing()) return true;
      if (await this.#compare(site, hung, goesOn)) await this.#readSheets(site, hung, goesOn);
    }
    return false;
  }

  /** Compares the pages that hang with the model. @returns whether it went to the end */
  async #compare(site: Site, hung: () => readonly HungFrame[], goesOn: GoesOn): Promise<boolean> {
    for (const frame of hung()) {
      const { document } = frame.painter;
      const hangs = () => hung().includes(frame);
      const stands = async (): Promise<boolean> => (await goesOn()) && frame.painter.applied === site && hangs();
      if (!(await goesOn())) return false;
      // Taken down meanwhile, or compared before.
      if (!hangs() || this.#compared.get(frame.painter) === site) continue;
      if (frame.painter.applied !== site) return false;
      // Compared when it comes into sight.
      if (!laidOut(frame)) continue;
      await document.fonts.ready;
      const differences = await inSlices(comparing(document, site, frame.page, frame.width), stands);
      if (!differences) {
        if (hangs()) return false;
        continue;
      }
      this.#compared.set(frame.painter, site);
      this.#store.dispatch(AuditActions.compared({ frame: frame.key, differences }));
    }
    return true;
  }

  /** Reads the pages at both widths, those that hang first; what is laid out as it was read is not read again. */
  async #readSheets(site: Site, hung: () => readonly HungFrame[], goesOn: GoesOn): Promise<void> {
    if (this.#layoutsOf !== this.#siteId()) {
      this.#layouts.clear();
      this.#told = null;
    }
    this.#layoutsOf = this.#siteId();
    const began = performance.now();
    const near = pagesOf(hung());
    const pages = pagesFirst(site, near);
    const over = this.#pictures.pagesOf(site);
    const tell = (): void => {
      this.#told = performance.now();
      const edit = this.#last()?.id ?? '';
      this.#store.dispatch(
        AuditActions.layout({
          rows: pagesAtWidths(pages).flatMap(({ key }) => {
            const known = this.#layouts.get(key);
            return known?.edit === edit ? known.rows : [];
          }),
        }),
      );
      this.#readings.tell(site);
    };
    for (const [i, page] of pages.entries()) {
      // Once those are read that hang, and from time to time, however often it is begun anew.
      if (i === near.length || performance.now() > (this.#told === null ? began + TELL_FIRST_MS : this.#told + TELL_MS))
        tell();
      for (const { key, width } of pagesAtWidths([page])) {
        if (this.#asRead(site, key, page, width)) continue;
        // Pages measured before are measured again all the same, without a word: their figures are here.
        if (!this.#before.knows(site, page))
          this.#store.dispatch(AuditActions.measuring({ measuring: { done: i, of: pages.length } }));
        const reading = await this.#measurePage(site, page, width, goesOn);
        const before = reading && (await this.#linesBefore(site, key, page, width));
        if (!reading || this.#painted() !== site) return;
        this.#readings.take(site, reading);
        this.#noteLines(key, page, width, reading.layout, before, site);
      }
      if (!(await this.#pictures.read(this.#apart, site, page, over, goesOn))) return;
      this.#letGo(site, page, hung());
    }
    tell();
    this.#store.dispatch(AuditActions.measuring({ measuring: null }));
  }

  /** Reads what lies behind the texts over pictures, and nothing else. */
  async #readPictures(site: Site, hung: () => readonly HungFrame[], goesOn: GoesOn): Promise<void> {
    const over = this.#pictures.pagesOf(site);
    for (const page of pagesFirst(site, pagesOf(hung()))) {
      if (!(await this.#pictures.read(this.#apart, site, page, over, goesOn))) return;
      this.#letGo(site, page, hung());
    }
    this.#readings.tell(site);
  }

  /** Reads a page as it is, then with its text spaced out. @returns undefined when another site is painted */
  async #measurePage(site: Site, page: string, width: number, goesOn: GoesOn): Promise<PageMeasurements | undefined> {
    if (!(await goesOn())) return undefined;
    const reading = await this.#apart.read(site, page, width, {}, (document) =>
      measurePage(document, site, page, width, goesOn),
    );
    if (!reading || !(await goesOn())) return undefined;
    const spaced = await this.#apart.read(site, page, width, { onTop: SPACED_OUT }, (document) =>
      readTextSpacing(document, site, page, width),
    );
    return this.#painted() === site ? { ...reading, readings: [...reading.readings, ...spaced] } : undefined;
  }

  /**
   * The lines of a page before the last edit: as they were read then, or, where somebody edits a site whose pages are
   * still being read, read now.
   */
  async #linesBefore(site: Site, key: string, page: string, width: number): Promise<LayoutSnapshot | undefined> {
    const last = this.#last();
    const known = this.#layouts.get(key);
    if (known) return known.edit === (last?.id ?? '') ? known.before : known.now;
    if (
      !last ||
      !publishedPage(last.before, page) ||
      sameInputs(layoutInputs(last.before, page), layoutInputs(site, page))
    )
      return undefined;
    await this.#calm.whenCalm();
    return this.#apart.read(last.before, page, width, {}, (document) => readLayout(document, last.before, page));
  }

  /** Returns true if a page is laid out as it was read before; then this edit has moved none of its lines. */
  #asRead(site: Site, key: string, page: string, width: number): boolean {
    const known = this.#layouts.get(key);
    if (!known || !this.#readings.isRead(site, page, width)) return false;
    const edit = this.#last()?.id ?? '';
    if (known.edit !== edit) this.#layouts.set(key, { edit, before: known.now, now: known.now, rows: [] });
    return true;
  }

  /**
   * Reads what breaks, page by page, those that hang first; what was found so far is told, with how many readings are
   * left.
   */
  async #readBreaks(site: Site, hung: () => readonly HungFrame[], goesOn: GoesOn): Promise<void> {
    const found: Break[] = [];
    const onTop = stressCss(new Set(this.#stress()));
    const readings = pagesAtWidths(pagesFirst(site, pagesOf(hung())));
    for (const [i, { key, page, width }] of readings.entries()) {
      if (!(await goesOn())) return;
      found.push(
        ...(await this.#apart.read(site, page, width, { onTop }, (document) =>
          readBreaks(document, site, page, width, this.#layouts.get(key)?.now),
        )),
      );
      this.#found.breaks.set([...found]);
      this.#found.breaksLeft.set(readings.length - i - 1);
      if (width === READ_WIDTHS.at(-1)) this.#letGo(site, page, hung());
    }
  }

  /** Forgets what was worked out of a page to read it, unless it hangs. */
  #letGo(site: Site, page: string, hung: readonly HungFrame[]): void {
    if (!hung.some((frame) => frame.page === page)) siteIndex(site).letGo(page);
  }

  /** Notes the headings, menus and buttons that take more lines than before the last edit. */
  #noteLines(
    key: string,
    page: string,
    width: number,
    now: LayoutSnapshot,
    before: LayoutSnapshot | undefined,
    site: Site,
  ): void {
    const edit = this.#last()?.id ?? '';
    const rows: Row[] = [];
    this.#layouts.set(key, { edit, before, now, rows });
    if (!before || edit === '') return;
    const row = (place: string, label: string, kind: Row['kind'], found: number, was: number, reason: string): Row => ({
      page,
      place,
      kind,
      label,
      rule: null,
      verdict: 'fail',
      width,
      state: 'rest',
      found,
      needed: was,
      before: was,
      tokens: [],
      reason,
    });
    for (const place of pageTree(site, page).places) {
      const is = now.lines.get(place.id) ?? 0;
      const was = before.lines.get(place.id);
      if (was !== undefined && was > 0 && is > was)
        rows.push(row(place.id, place.label, place.kind, is, was, `takes ${is} lines, ${was} before`));
    }
    if (now.overflow && !before.overflow) rows.push(row('page/surface', 'Page', 'surface', 1, 0, 'scrolls sideways'));
  }
}

const pagesOf = (hung: readonly HungFrame[]): string[] => [
  ...new Set(hung.filter((frame) => !frame.part).map((frame) => frame.page)),
];

/** All pages, the given ones first. */
const pagesFirst = (site: Site, first: readonly string[]): string[] => [
  ...new Set([...first.filter((page) => publishedPage(site, page)), ...publishedPages(site).map(({ id }) => id)]),
];

/** Pages at each width at which they are read. */
const pagesAtWidths = (pages: readonly string[]): PageAtWidth[] =>
  pages.flatMap((page) => READ_WIDTHS.map((width) => ({ key: `${page} ${width}`, page, width })));

import { Injectable, effect, inject, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import { pageTree, siteIndex, stressCss, type Site } from '@yohaku/core';
import { AuditActions, MotionShown, WallTurn, auditFeature, deskFeature, siteFeature, type Row } from '../state/index.ts';
import { comparing, readLayout, type LayoutSnapshot } from './compare.ts';
import { readBreaks, type Break } from './breaks.ts';
import { whenCalm } from './calm.ts';
import type { FramePainter } from './frame-painter.ts';
import { LayoutFrame } from './layout-frame.ts';
import { playMotion } from './play-motion.ts';
import { readSheet } from './sheet-reading.ts';
import { SHEET_WIDTHS, Sheets } from './sheets.ts';
import { inSlices } from './slices.ts';
import { turn } from './turn.ts';

/** A frame on the wall as the scheduler sees it. */
export interface HungFrame {
  readonly key: string;
  readonly page: string;
  readonly width: number;
  /** Shows a part of the page only. */
  readonly part: boolean;
  readonly painter: FramePainter;
  readonly element: HTMLElement;
  scale(): number;
  /** Smaller is nearer; the grown page is 0. */
  nearness(): number;
  /** Whether it is in sight or about to be; the others come last. */
  inSight(): boolean;
  /** Called after something was painted, so that heights and marks follow. */
  painted(structure: boolean): void;
}

/** Milliseconds of a frame given to repainting; the rest of the wall follows in the next ones. */
const BUDGET_MS = 9;
/** While a control is held, a frame is left alone for each so many ms that another page took. */
const PAUSE_MS = 2;
/** From the first move of a held control on, so many frames are left to the nearest page: the hand feels the start most. */
const HEAD_START = 8;
/** After so long a task ends that paints frames out of sight. */
const TASK_MS = 12;
const QUIET_MS = 400;
/** While many pages are read, what was found is told after each so many ms. */
const TELL_MS = 8000;
/** After this long without a paint, marks and crops follow the new layout. */
const SETTLE_MS = 90;

const heightOf = (document: Document): number => document.body.getBoundingClientRect().height;

/** Repaints the wall: nearest frames first, the others in turn, and compares them with the model when all is quiet. */
@Injectable({ providedIn: 'root' })
export class Frames {
  readonly #store = inject(Store);
  readonly #motion = inject(MotionShown);
  readonly #turns = inject(WallTurn);
  readonly #standIns = this.#store.selectSignal(deskFeature.selectStandIns);
  readonly #stress = this.#store.selectSignal(deskFeature.selectStress);
  /** What breaks under hostile copy, read from the pages as they are laid out; null while none is asked for, or it is being read. */
  readonly breaks = signal<readonly Break[] | null>(null);
  /** How many sheets are still to be read for it. */
  readonly breaksLeft = signal(0);
  readonly #differences = this.#store.selectSignal(auditFeature.selectDifferences);
  readonly #painted = this.#store.selectSignal(siteFeature.selectPainted);
  readonly #last = this.#store.selectSignal(siteFeature.selectLast);
  readonly #hung = new Map<string, HungFrame>();
  /** When each was painted last, counted in paints. */
  readonly #turn = new Map<string, number>();
  #round = 0;
  /** Animation frames until more is painted; 0 while nothing waits. */
  #wait = 0;
  /** Whether the pointer is down on the desk. */
  #held = false;
  /** Whether it goes up just now. */
  #ending = false;
  #quiet: ReturnType<typeof setTimeout> | undefined;
  readonly #layouts = new Map<string, { edit: string; before: LayoutSnapshot | undefined; now: LayoutSnapshot; rows: readonly Row[] }>();
  /** Which site a document was compared with. */
  #compared = new WeakMap<Document, Site>();
  readonly #sheets = inject(Sheets);
  readonly #siteId = this.#store.selectSignal(siteFeature.selectSiteId);
  readonly #apart = new LayoutFrame(() => this.#siteId());
  /** Counts finished paints; marks that depend on layout read it. */
  readonly version = signal(0);
  /** What the stand-ins do to the height of the pages hung, the most of them, as a share; null while the fonts are shown. */
  readonly shift = signal<{ readonly most: number } | null>(null);

  constructor() {
    effect(() => {
      const css = stressCss(new Set(this.#stress()));
      for (const frame of this.#hung.values()) frame.painter.onTop(css);
      this.breaks.set(null);
      this.breaksLeft.set(0);
      if (this.#hung.size > 0) this.#waitForQuiet();
    });
    effect(() => {
      if (this.#motion.asked() > 0) untracked(() => void this.#play());
    });
    effect(() => {
      const only = this.#standIns();
      if (this.#hung.size > 0) untracked(() => void this.#pretend(only));
    });
    addEventListener('pointerdown', () => { this.#held = true; }, { capture: true });
    for (const end of ['pointerup', 'pointercancel'] as const) addEventListener(end, () => this.#release(), { capture: true });
    // Of the window only: a control that loses the focus to the one that is pressed is no end of the press.
    addEventListener('blur', () => this.#release());
    // Straight from the store, before Angular looks at anything: the nearest frame is painted within the event that moved the control.
    this.#store.select(siteFeature.selectPainted).pipe(takeUntilDestroyed()).subscribe((site) => {
      if (!site) return;
      // What was found of the state before says nothing of this one.
      if (Object.keys(this.#differences()).length > 0) {
        this.#store.dispatch(AuditActions.outdated({ frame: null }));
        this.#compared = new WeakMap();
      }
      const nearest = this.#behind(site)[0];
      if (nearest) this.#paint(nearest, site);
      // The edit of a control just let go: the pages in sight show its values already.
      if (this.#ending) return this.#paintSome();
      // Some frames are left to the nearest page and the control itself; the rest of the wall follows.
      this.#schedule(this.#held ? HEAD_START : 2);
    });
  }

  hang(frame: HungFrame): () => void {
    this.#hung.set(frame.key, frame);
    frame.painter.standIn(this.#standIns());
    frame.painter.onTop(stressCss(new Set(this.#stress())));
    const site = this.#painted();
    if (site) frame.painted(frame.painter.paint(site));
    this.#waitForQuiet();
    return () => {
      this.#hung.delete(frame.key);
      this.#turn.delete(frame.key);
      this.#store.dispatch(AuditActions.outdated({ frame: frame.key }));
    };
  }

  /** Shows or hides what stands in for the fonts, and measures what that does to the height of the pages. */
  async #pretend(only: boolean): Promise<void> {
    const frames = [...this.#hung.values()].filter((frame) => !frame.part);
    const before = frames.map((frame) => heightOf(frame.painter.document));
    for (const frame of this.#hung.values()) frame.painter.standIn(only);
    await Promise.all(frames.map((frame) => frame.painter.document.fonts.ready));
    await new Promise((resolve) => requestAnimationFrame(resolve));
    const moved = frames.map((frame, i) => heightOf(frame.painter.document) / Math.max(1, before[i]!) - 1);
    const tell = () => this.shift.set(only && this.#standIns() && moved.length > 0 ? { most: moved.reduce((most, one) => (Math.abs(one) > Math.abs(most) ? one : most), 0) } : null);
    tell();
    this.version.update((version) => version + 1);
    const site = this.#painted();
    if (!only || !site) return;
    // Then the pages that do not hang, against the heights they were read with.
    for (const { page, width } of this.#others(site)) {
      const was = this.#sheets.heightOf(page, width);
      await whenCalm();
      if (!this.#standIns() || this.#painted() !== site) return;
      if (was !== undefined) moved.push(heightOf(await this.#apart.lay(site, page, width, { standIn: true })) / Math.max(1, was) - 1);
      tell();
    }
  }

  /** The pages that do not hang, at each width at which they are read. */
  #others(site: Site): { readonly page: string; readonly width: number }[] {
    return site.pageOrder.flatMap((page) => SHEET_WIDTHS.map((width) => ({ page, width }))).filter(({ page, width }) => !this.#hung.has(`${page} ${width}`));
  }

  frame(key: string): HungFrame | undefined {
    return this.#hung.get(key);
  }

  /** Goes on painting after so many animation frames, or when it is due already. */
  #schedule(frames: number): void {
    if (this.#wait > 0) return;
    this.#wait = frames;
    const next = (): void => {
      requestAnimationFrame(() => {
        if (--this.#wait === 1 && this.#held) this.#turns.next.next();
        if (this.#wait > 0) return next();
        this.#paintSome(true);
      });
    };
    next();
  }

  /** Paints what is in sight for as long as a frame can spare; `beforePaint`: the browser paints right after. */
  #paintSome(beforePaint = false): void {
    const site = this.#painted();
    if (!site) return;
    const began = performance.now();
    // Frames out of sight come after, one by one: Chromium styles all that were written to at its next hit test, in one piece.
    const due = this.#behind(site).filter((frame) => frame.inSight());
    let left = due.length;
    for (const frame of due) {
      this.#paint(frame, site);
      left--;
      // Styled and laid out here while the pointer is held, so that it is known what a page costs now: a colour little, a size much.
      if (this.#held) heightOf(frame.painter.document);
      if (performance.now() - began > BUDGET_MS) break;
    }
    // What took long leaves so many frames more to the nearest page and the hand: six in seven where a size is pulled.
    if (left > 0) return this.#schedule(this.#held ? 1 + Math.ceil((performance.now() - began) / PAUSE_MS) : 1);
    if (this.#held) this.#waitForQuiet();
    else void this.#followUp(false, beforePaint);
  }

  #release(): void {
    if (!this.#held) return;
    this.#held = false;
    // A press that moved nothing has nothing to catch up with, and nothing to compare.
    const site = this.#painted();
    if (!site || this.#behind(site).length === 0) return;
    // At once, before the edit is done: the pages in sight are styled together with the desk's answer to it.
    this.#ending = true;
    setTimeout(() => { this.#ending = false; });
    this.#paintSome();
  }

  #paint(frame: HungFrame, site: Site): void {
    frame.painted(frame.painter.paint(site));
    this.#turn.set(frame.key, ++this.#round);
  }

  /** Frames that do not show the site yet: the nearest first, then those in sight by how long they have waited, then the others. */
  #behind(site: Site): HungFrame[] {
    const nearest = Math.min(...[...this.#hung.values()].map((frame) => frame.nearness()));
    const rank = (frame: HungFrame) => (frame.nearness() === nearest ? -1 : (this.#turn.get(frame.key) ?? 0));
    return [...this.#hung.values()].filter((frame) => frame.painter.waits(site)).sort((one, other) => Number(other.inSight()) - Number(one.inSight()) || rank(one) - rank(other) || one.nearness() - other.nearness() || other.width - one.width);
  }

  /** Whether frames still wait for the newest values; `version` counts on when they have them. */
  behind(): boolean {
    const site = untracked(this.#painted);
    return site !== null && [...this.#hung.values()].some((frame) => frame.painter.waits(site));
  }

  /** A frame that comes into sight is shown what it missed. */
  cameNear(): void {
    this.#schedule(1);
  }

  /** Paints the frames out of sight, in short tasks, until something newer is to be painted or the pointer goes down; `resting`: the hand is down and still. */
  async #followUp(resting: boolean, beforePaint: boolean): Promise<void> {
    const site = this.#painted();
    if (!site) return;
    // What is in sight is on the screen before anything out of sight is touched.
    if (!beforePaint) await new Promise((resolve) => requestAnimationFrame(resolve));
    let until = 0;
    for (const frame of this.#behind(site)) {
      if (performance.now() >= until) {
        await turn();
        until = performance.now() + TASK_MS;
      }
      if ((this.#held && !resting) || this.#painted() !== site) return;
      if (!frame.painter.waits(site) || !frame.painter.document.defaultView) continue;
      this.#paint(frame, site);
      // Styled here, so that it is known what it took.
      heightOf(frame.painter.document);
    }
    this.#waitForQuiet();
  }

  #waitForQuiet(): void {
    clearTimeout(this.#quiet);
    this.#quiet = setTimeout(() => {
      const site = this.#painted();
      if (this.#held && site && this.#behind(site).length > 0) return void this.#followUp(true, false);
      this.version.update((version) => version + 1);
      this.#quiet = setTimeout(() => void this.#compareAll(), QUIET_MS);
    }, SETTLE_MS);
  }

  async #compareAll(): Promise<void> {
    const site = this.#painted();
    if (site && this.#stress().length > 0) return this.#readBreaks(site);
    if (!site || site !== this.#store.selectSignal(siteFeature.selectCurrent)()) return;
    // What moves is not at rest; it is compared when it is.
    if (this.#motion.playing()) return this.#waitForQuiet();
    const worse: Row[] = [];
    const goesOn = async (): Promise<boolean> => {
      await whenCalm();
      return this.#painted() === site;
    };
    for (const frame of [...this.#hung.values()]) {
      const { document } = frame.painter;
      const stands = async (): Promise<boolean> => (await goesOn()) && frame.painter.applied === site && document.defaultView !== null;
      if (!(await goesOn())) return;
      // Taken down meanwhile.
      if (!document.defaultView) continue;
      if (frame.painter.applied !== site) return;
      if (this.#compared.get(document) !== site) {
        await document.fonts.ready;
        const differences = await inSlices(comparing(document, site, frame.page, frame.width), stands);
        if (!differences) {
          if (document.defaultView) return;
          continue;
        }
        this.#compared.set(document, site);
        this.#store.dispatch(AuditActions.compared({ frame: frame.key, differences }));
      }
      if (frame.part) {
        worse.push(...this.#rows(frame.key, frame.page, frame.width, readLayout(document, site, frame.page), site));
        continue;
      }
      if (this.#asRead(site, frame.key, frame.page, frame.width, worse)) continue;
      const reading = await readSheet(document, site, frame.page, frame.width, stands);
      if (!reading) {
        if (document.defaultView) return;
        continue;
      }
      this.#sheets.take(site, reading);
      worse.push(...this.#rows(frame.key, frame.page, frame.width, reading.layout, site));
    }
    this.#store.dispatch(AuditActions.layout({ rows: worse }));
    this.#sheets.tell(site);
    if (!(await this.#readRest(site, worse, goesOn))) return;
    this.#store.dispatch(AuditActions.layout({ rows: worse }));
    this.#sheets.tell(site);
  }

  /** Reads the pages that do not hang, in a document of their own. @returns whether it went to the end */
  async #readRest(site: Site, worse: Row[], goesOn: () => Promise<boolean>): Promise<boolean> {
    let told = performance.now();
    for (const page of site.pageOrder) for (const width of SHEET_WIDTHS) {
      const key = `${page} ${width}`;
      if (this.#hung.has(key)) continue;
      if (this.#asRead(site, key, page, width, worse)) continue;
      if (!(await goesOn())) return false;
      const document = await this.#apart.lay(site, page, width);
      const reading = (await goesOn()) && (await readSheet(document, site, page, width, goesOn));
      if (!reading) return false;
      this.#sheets.take(site, reading);
      worse.push(...this.#rows(key, page, width, reading.layout, site));
      if (width === SHEET_WIDTHS.at(-1) && !this.#hung.has(`${page} ${SHEET_WIDTHS[0]}`)) siteIndex(site).letGo(page);
      if (performance.now() - told > TELL_MS) {
        told = performance.now();
        this.#sheets.tell(site);
      }
    }
    return true;
  }

  /** Whether a page is laid out as it was read before; then this edit has moved none of its lines. */
  #asRead(site: Site, key: string, page: string, width: number, worse: Row[]): boolean {
    const known = this.#layouts.get(key);
    if (!known || !this.#sheets.isRead(site, page, width)) return false;
    const edit = this.#last()?.id ?? '';
    if (known.edit !== edit) this.#layouts.set(key, { edit, before: known.now, now: known.now, rows: [] });
    else worse.push(...known.rows);
    return true;
  }

  async #play(): Promise<void> {
    const site = this.#painted();
    if (!site) return;
    this.#motion.playing.set(true);
    await playMotion([...this.#hung.values()].filter((frame) => frame.inSight()).map((frame) => frame.painter), site);
    this.#motion.playing.set(false);
  }

  async #readBreaks(site: Site): Promise<void> {
    const found: Break[] = [];
    for (const frame of [...this.#hung.values()]) {
      if (frame.part || frame.painter.applied !== site || !frame.painter.document.defaultView) continue;
      await frame.painter.document.fonts.ready;
      if (this.#painted() !== site) return;
      found.push(...readBreaks(frame.painter.document, site, frame.page, frame.width, this.#layouts.get(frame.key)?.now));
    }
    // Then the pages that do not hang: what was found so far is told, with how many are still to be read.
    const onTop = stressCss(new Set(this.#stress()));
    const others = this.#others(site);
    for (const [i, { page, width }] of others.entries()) {
      this.breaks.set([...found]);
      this.breaksLeft.set(others.length - i);
      await whenCalm();
      if (this.#painted() !== site || stressCss(new Set(this.#stress())) !== onTop || this.#stress().length === 0) return;
      found.push(...readBreaks(await this.#apart.lay(site, page, width, { onTop }), site, page, width, this.#layouts.get(`${page} ${width}`)?.now));
      if (width === SHEET_WIDTHS.at(-1)) siteIndex(site).letGo(page);
    }
    this.breaks.set(found);
    this.breaksLeft.set(0);
  }

  /** Headings, menus and buttons that take more lines than before the last edit. */
  #rows(key: string, page: string, width: number, now: LayoutSnapshot, site: Site): Row[] {
    const edit = this.#last()?.id ?? '';
    const known = this.#layouts.get(key);
    const before = known?.edit === edit ? known.before : known?.now;
    const rows: Row[] = [];
    this.#layouts.set(key, { edit, before, now, rows });
    if (!before || edit === '') return rows;
    const row = (place: string, label: string, kind: Row['kind'], found: number, was: number, reason: string): Row =>
      ({ page, place, kind, label, rule: null, verdict: 'fail', width, state: 'rest', found, needed: was, before: was, tokens: [], reason });
    for (const place of pageTree(site, page).places) {
      const is = now.lines.get(place.id) ?? 0;
      const was = before.lines.get(place.id);
      if (was !== undefined && was > 0 && is > was) rows.push(row(place.id, place.label, place.kind, is, was, `takes ${is} lines, ${was} before`));
    }
    if (now.overflow && !before.overflow) rows.push(row('page/surface', 'Page', 'surface', 1, 0, 'scrolls sideways'));
    return rows;
  }
}

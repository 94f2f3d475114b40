import { Injectable, Injector, effect, inject, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import { stressCss, type Site } from '@yohaku/core';
import { AuditActions, MotionShown, FrameShare, auditFeature, deskFeature, siteFeature } from '../../state/index.ts';
import { Found, heightOf } from '../read/index.ts';
import type { PageReader } from '../read/late.ts';
import { type HungFrame, playMotion, turn } from '../paint/index.ts';

/** Milliseconds of a frame given to repainting; the rest of the wall follows in the next ones. */
const BUDGET_MS = 9;
/** While a control is held, a frame is left alone for each so many ms that another page took. */
const PAUSE_MS = 2;
/**
 * From the first move of a held control on, so many frames are left to the nearest page: the hand feels the start most.
 */
const HEAD_START = 8;
/** After so long a task ends that paints frames out of sight. */
const TASK_MS = 12;
const QUIET_MS = 400;
/** After this long without a paint, marks and crops follow the new layout. */
const SETTLE_MS = 90;

/** Repaints the wall: nearest frames first, the others in turn, and has them compared and read when all is quiet. */
@Injectable({ providedIn: 'root' })
export class Frames {
  readonly #store = inject(Store);
  readonly #motion = inject(MotionShown);
  readonly #turns = inject(FrameShare);
  readonly #found = inject(Found);
  readonly #injector = inject(Injector);
  /** The reader of pages: loaded when the wall is first quiet, because opening a site does not need it. */
  #reader: PageReader | undefined;
  readonly #standIns = this.#store.selectSignal(deskFeature.selectStandIns);
  readonly #stress = this.#store.selectSignal(deskFeature.selectStress);
  readonly #differences = this.#store.selectSignal(auditFeature.selectDifferences);
  readonly #painted = this.#store.selectSignal(siteFeature.selectPainted);
  readonly #hung = new Map<string, HungFrame>();
  /** When each was painted last, counted in paints. */
  readonly #turn = new Map<string, number>();
  #round = 0;
  /** Animation frames until more is painted; 0 while nothing waits. */
  #wait = 0;
  /** True if the pointer is down on the desk. */
  #held = false;
  /** True if it goes up just now. */
  #ending = false;
  #quiet: ReturnType<typeof setTimeout> | undefined;
  /** Counts finished paints; marks that depend on layout read it. */
  readonly version = signal(0);

  constructor() {
    effect(() => {
      const css = stressCss(new Set(this.#stress()));
      for (const frame of this.#hung.values()) frame.painter.onTop(css);
      // The problems so far do not apply to the next content.
      this.#reader?.stop();
      this.#found.breaks.set(null);
      this.#found.breaksLeft.set(0);
      if (this.#hung.size > 0) this.#waitForQuiet();
    });
    effect(() => {
      if (this.#motion.asked() > 0) untracked(() => void this.#play());
    });
    effect(() => {
      const only = this.#standIns();
      if (this.#hung.size > 0) untracked(() => void this.#pretend(only));
    });
    addEventListener(
      'pointerdown',
      () => {
        this.#held = true;
      },
      { capture: true },
    );
    for (const end of ['pointerup', 'pointercancel'] as const)
      addEventListener(end, () => this.#release(), { capture: true });
    // Of the window only: a control that loses the focus to the one that is pressed is no end of the press.
    addEventListener('blur', () => this.#release());
    // Straight from the store, before Angular looks at anything: the nearest frame is painted within the event that
    // moved the control.
    this.#store
      .select(siteFeature.selectPainted)
      .pipe(takeUntilDestroyed())
      .subscribe((site) => {
        if (!site) return;
        // The findings of the earlier state do not apply to this one.
        if (Object.keys(this.#differences()).length > 0) {
          this.#store.dispatch(AuditActions.outdated({ frame: null }));
          this.#reader?.forget();
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
      if (this.#hung.get(frame.key) !== frame) return;
      this.#hung.delete(frame.key);
      this.#turn.delete(frame.key);
      this.#store.dispatch(AuditActions.outdated({ frame: frame.key }));
    };
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
    // Frames out of sight come after, one by one: Chromium styles all that were written to at its next hit test, in one
    // piece.
    const due = this.#behind(site).filter((frame) => frame.inSight());
    let left = due.length;
    for (const frame of due) {
      this.#paint(frame, site);
      left--;
      // Styled and laid out here while the pointer is held, so that it is known what a page costs now: a colour little,
      // a size much.
      if (this.#held) heightOf(frame.painter.document);
      if (performance.now() - began > BUDGET_MS) break;
    }
    // A slow frame leaves more frames to the nearest page and the pointer: six in seven while a size is dragged.
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
    setTimeout(() => {
      this.#ending = false;
    });
    this.#paintSome();
  }

  #paint(frame: HungFrame, site: Site): void {
    frame.painted(frame.painter.paint(site));
    this.#turn.set(frame.key, ++this.#round);
  }

  /**
   * Frames that do not show the site yet: the nearest first, then those in sight by how long they have waited, then the
   * others.
   */
  #behind(site: Site): HungFrame[] {
    const nearest = Math.min(...[...this.#hung.values()].map((frame) => frame.nearness()));
    const rank = (frame: HungFrame) => (frame.nearness() === nearest ? -1 : (this.#turn.get(frame.key) ?? 0));
    return [...this.#hung.values()]
      .filter((frame) => frame.painter.waits(site))
      .sort(
        (frame, other) =>
          Number(other.inSight()) - Number(frame.inSight()) ||
          rank(frame) - rank(other) ||
          frame.nearness() - other.nearness() ||
          other.width - frame.width,
      );
  }

  /** Returns true if frames still wait for the newest values; `version` counts on when they have them. */
  behind(): boolean {
    const site = untracked(this.#painted);
    return site !== null && [...this.#hung.values()].some((frame) => frame.painter.waits(site));
  }

  /** A frame that comes into sight is shown what it missed. */
  cameNear(): void {
    this.#schedule(1);
  }

  /**
   * Paints the frames out of sight, in short tasks, until something newer is to be painted or the pointer goes down;
   * `resting`: the hand is down and still.
   */
  async #followUp(resting: boolean, beforePaint: boolean): Promise<void> {
    const site = this.#painted();
    if (!site) return;
    // Visible frames are painted before any hidden frame.
    if (!beforePaint) await new Promise((resolve) => requestAnimationFrame(resolve));
    let until = 0;
    for (const frame of this.#behind(site)) {
      if (performance.now() >= until) {
        await turn();
        until = performance.now() + TASK_MS;
      }
      if ((this.#held && !resting) || this.#painted() !== site) return;
      if (!frame.painter.waits(site) || this.#hung.get(frame.key) !== frame) continue;
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
      this.#quiet = setTimeout(() => void this.#read(), QUIET_MS);
    }, SETTLE_MS);
  }

  async #read(): Promise<void> {
    if (await (await this.#fetched())?.read(() => [...this.#hung.values()])) this.#waitForQuiet();
  }

  async #pretend(only: boolean): Promise<void> {
    await (
      await this.#fetched()
    )?.pretend(
      () => [...this.#hung.values()],
      only,
      () => this.version.update((version) => version + 1),
    );
  }

  /** The reader, or undefined where its script did not come: it is asked for again the next time. */
  async #fetched(): Promise<PageReader | undefined> {
    const room = await import('../read/late.ts').catch(() => undefined);
    return (this.#reader ??= room && this.#injector.get(room.PageReader));
  }

  async #play(): Promise<void> {
    const site = this.#painted();
    if (!site) return;
    this.#motion.playing.set(true);
    await playMotion(
      [...this.#hung.values()].filter((frame) => frame.inSight()).map((frame) => frame.painter),
      site,
    );
    this.#motion.playing.set(false);
  }
}

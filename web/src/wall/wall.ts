import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  inject,
  linkedSignal,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import { fromEvent, map } from 'rxjs';
import { publishedPage, publishedPages, siteIndex } from '@yohaku/core';
import {
  DeskActions,
  type DeskState,
  auditFeature,
  deskFeature,
  WallViews,
  siteFeature,
  Reading,
} from '../state/index.ts';
import { meanToType } from '../ui/index.ts';
import { LogoWall, PinWall, SourceWall, SpecimenWall } from './views/index.ts';
import {
  type FramePick,
  Frames,
  HungPages,
  LitPlaces,
  PagePair,
  type PairPick,
  PlacePanels,
  SectionSight,
  StressBar,
  type WallPage,
  WallState,
  failingByPage,
  hangsAlready,
  holdStill,
  middleInSight,
  onWall,
  overviewScale,
  showMostUses,
  viewOf,
} from './hang/index.ts';
import type { HungFrame } from './paint/index.ts';
import { Slip, type SlipSpot, slipSpot } from './slip/index.ts';
import { WordsEditor } from './words/index.ts';

const GROWN = [0.3, 0.41, 0.5, 0.75, 1] as const;

/** A chosen place is looked for on the wall at first after so many ms, and so often. */
const LOOK_MS = 120;
const LOOKS = 40;
/** A page that was enlarged under the pointer is looked at again after so many ms, and so often. */
const FOLLOW_MS = 16;
const FOLLOWS = 400;

/** The wall: all pages in one row, or only what the token in hand reaches. */
@Component({
  selector: 'yo-wall',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SourceWall, LogoWall, PagePair, PlacePanels, PinWall, SpecimenWall, StressBar, Slip, WallState],
  templateUrl: './wall.html',
  styleUrl: './wall.less',
  providers: [HungPages, LitPlaces, SectionSight],
  host: { '[class.written]': 'writtenOn() !== null', '(dblclick)': 'meant()' },
})
export class Wall {
  readonly #store = inject(Store);
  protected readonly reading = inject(Reading).only;
  readonly #frames = inject(Frames);
  readonly #words = inject(WordsEditor);
  protected readonly writtenOn = this.#words.document;
  /** The site without the preview of a held control: what hangs where does not change while one is held. */
  protected readonly site = this.#store.selectSignal(siteFeature.selectCurrent);
  protected readonly siteId = this.#store.selectSignal(siteFeature.selectSiteId);
  protected readonly desk = this.#store.selectSignal(deskFeature.selectDeskState);
  readonly #grown = this.#store.selectSignal(deskFeature.selectGrown);
  readonly #audit = this.#store.selectSignal(auditFeature.selectReport);
  protected readonly zoom = signal(1);
  protected readonly row = viewChild<ElementRef<HTMLElement>>('row');
  readonly #hung = inject(HungPages);
  readonly #sections = inject(SectionSight);
  /** The place for which the slip hangs where it does. */
  #anchored: DeskState['place'] = null;
  protected readonly anchor = signal<SlipSpot | null>(null);

  readonly #failing = computed(() => failingByPage(this.#audit()?.failing ?? []));
  #known: ReadonlyMap<string, WallPage> = new Map();
  /** All pages in their order; what is as it was stays the same object. */
  protected readonly pages = computed((): WallPage[] => {
    const [site, { grown, third, outline }, hung, tall, lit, failing] = [
      this.site(),
      this.desk(),
      this.#hung.hung(),
      this.#hung.papers(),
      this.lit(),
      this.#failing(),
    ];
    const pages = (site ? publishedPages(site) : []).map(({ id, title }, i): WallPage => {
      const page: WallPage = {
        site: this.siteId(),
        id,
        title,
        nearness: i + 1,
        failing: failing.get(id)?.size ?? 0,
        wide: hung.wide.has(id),
        narrow: hung.narrow.has(id),
        tall: tall[i]!,
        grown: grown === id,
        third: grown === id && !hangsAlready(third) ? third : null,
        scale: grown === id ? this.grownScale() : this.overview(),
        lit: lit.get(id) ?? null,
        outline,
      };
      const known = this.#known.get(id);
      return known && (Object.keys(page) as (keyof WallPage)[]).every((key) => known[key] === page[key]) ? known : page;
    });
    this.#known = new Map(pages.map((page) => [page.id, page]));
    return pages;
  });

  protected readonly grownScale = computed(() => GROWN[this.zoom()]!);
  protected readonly scaleWords = computed(() => {
    const { grown, third } = this.desk();
    const name = grown && this.site() ? publishedPage(this.site()!, grown)?.title : undefined;
    if (!name) return '';
    return `${name}, 1280 and 390${third && !hangsAlready(third) ? ` and ${third}` : ''} px, at ${Math.round(this.grownScale() * 100)} %`;
  });
  protected readonly views = inject(WallViews);

  /** Ids of the places to light, by page. */
  protected readonly lit = inject(LitPlaces).lit;
  readonly #room = toSignal(fromEvent(window, 'resize').pipe(map(() => window.innerWidth)), {
    initialValue: window.innerWidth,
  });
  readonly #opening = this.#store.selectSignal(siteFeature.selectOpening);
  readonly #hanging = this.#store.selectSignal(deskFeature.selectHanging);
  readonly #fits = this.#store.selectSignal(deskFeature.selectFits);
  /**
   * At what scale all pages hang. Pages that come or go leave it alone, so that the wall stays still; it is worked out
   * anew when the user comes back to the overview.
   */
  protected readonly overview = linkedSignal<string, number>({
    source: () =>
      [this.siteId(), this.#hanging(), this.#grown(), this.site() === null, this.#opening()?.here].join() +
      `${this.#room()} ${this.#fits()}`,
    computation: (_source, before) =>
      untracked(() => {
        const site = this.site();
        if (before && this.#grown()) return before.value;
        return overviewScale(site ? publishedPages(site).length : 0, this.#room(), this.#fits());
      }),
  });
  /** The page that is enlarged where the user pressed: the wall does not scroll to it. */
  #growing: string | null = null;
  constructor() {
    this.#hung.watch(this.row);
    this.#sections.watch(this.row);
    effect(() => {
      const { place } = this.desk();
      if (place === this.#anchored && place) return;
      this.anchor.set(null);
      this.#anchored = null;
    });
    // A page that was enlarged from elsewhere is brought into view. The overview begins at the heads of the pages, with
    // the one that was read in sight.
    let was: string | null = null;
    effect(() => {
      const page = this.#grown();
      const before = was;
      const isHeld = this.#growing === page;
      was = page;
      this.#growing = null;
      if (page ? isHeld : !before) return;
      setTimeout(() => {
        const [row, pair] = [this.row()?.nativeElement, document.getElementById(`page-${page ?? before}`)];
        if (!row || !pair) return;
        if (page) return pair.scrollIntoView({ inline: 'start', block: 'nearest' });
        row.style.paddingRight = row.style.paddingBottom = '';
        row.scrollTo({ top: 0, left: Math.max(0, pair.offsetLeft - 40) });
      }, 0);
    });
    // The page with the most places of the selected token is shown; but a site opens at its first page.
    let isFirst = true;
    effect(() => {
      const token = this.views.selected()?.path;
      const [site, row, grown] = untracked(() => [this.site(), this.row()?.nativeElement, this.#grown()]);
      if (token && site && row && !grown && !isFirst) showMostUses(site, row, token);
      if (token) isFirst = false;
    });
    effect(() => {
      const [site, { place }] = [this.site(), this.desk()];
      if (site && place && !this.#opening() && !siteIndex(site).byAddress.has(`${place.page} ${place.id}`))
        untracked(() => this.closeSlip());
    });
    // A place chosen from a list: grow its page and bring it into view.
    effect(() => {
      const { place, grown } = this.desk();
      if (place && grown === place.page && this.#anchored !== place) setTimeout(() => this.#showPlace(place), LOOK_MS);
    });
  }

  protected grow(page: string | null): void {
    this.#store.dispatch(DeskActions.grow({ page }));
  }

  /** Enlarges or shrinks the grown page around what is in hand, or else around the middle of the wall. */
  protected nearer(steps: number): void {
    const [row, frame] = [this.row()?.nativeElement, this.#live(this.desk().grown ?? undefined)];
    const zoom = Math.max(0, Math.min(GROWN.length - 1, this.zoom() + steps));
    if (!row || !frame) return this.zoom.set(zoom);
    this.anchor.set(null);
    const { place, section } = this.desk();
    const chosen = frame.painter.document
      .querySelector(place ? `[data-place="${place.id}"]` : `[data-part="${section}"]`)
      ?.getBoundingClientRect();
    holdStill(
      row,
      frame,
      middleInSight(row, frame, chosen),
      () => this.zoom.set(zoom),
      () => {
        const now =
          place && frame.painter.document.querySelector(`[data-place="${place.id}"]`)?.getBoundingClientRect();
        if (now && this.desk().place === place) this.#anchorAt(frame, place.page, now);
        this.#sections.show();
      },
    );
  }

  /** Shows the enlarged page at another width too, or (null) at none. */
  protected third(width: number | null): void {
    this.#store.dispatch(DeskActions.third({ width }));
    // The slip hangs beside all of them.
    this.#anchored = null;
    this.anchor.set(null);
    const { place } = this.desk();
    if (place) setTimeout(() => this.#showPlace(place), LOOK_MS);
  }

  protected pick({ frame, page, pick }: PairPick): void {
    const { place, also } = this.desk();
    // With Shift it joins those in hand, or leaves them.
    if (pick.joins && place?.page === page && place.id !== pick.place) {
      const others = also.some(({ id }) => id === pick.place)
        ? also.filter(({ id }) => id !== pick.place)
        : [...also, { page, id: pick.place }];
      return this.#store.dispatch(DeskActions.choose({ choice: { also: others } }));
    }
    this.#take(page, pick.place);
    this.#anchorAt(frame, page, pick.rect, pick.at);
  }

  /** Puts a place in hand, with its section: the wall stays where it is. */
  #take(page: string, place: string): void {
    this.#store.dispatch(DeskActions.choose({ choice: { place: { page, id: place } } }));
    const section = this.#sectionOf(page, place);
    if (section) this.#store.dispatch(DeskActions.choose({ choice: { section } }));
    this.#sections.pointed();
  }

  /**
   * Edits the words where they stand. In the overview the page is enlarged first, and the words stay under the pointer.
   */
  protected edit(pressed: PairPick): void {
    if (this.reading()) return;
    const { frame, page, pick } = pressed;
    const document = frame.document;
    if (frame.takesPresses && document) return this.#words.edit(document, page, pick.place);
    holdStill(
      this.row()!.nativeElement,
      frame,
      pick.at,
      () => {
        this.#growing = page;
        this.#store.dispatch(DeskActions.grow({ page }));
        this.#take(page, pick.place);
        this.#anchored = untracked(this.desk).place;
      },
      () => this.#editOnceLive(pressed),
    );
  }

  /** Starts the editor as soon as the page takes presses. */
  #editOnceLive({ frame, page, pick }: PairPick, tries = FOLLOWS): void {
    const document = frame.document;
    if (this.desk().grown !== page || tries === 0) return;
    meanToType();
    if (!frame.takesPresses || !document)
      return void setTimeout(() => this.#editOnceLive({ frame, page, pick }, tries - 1), FOLLOW_MS);
    const rect = document.querySelector(`[data-place="${pick.place}"]`)?.getBoundingClientRect();
    if (rect) this.#anchorAt(frame, page, rect, pick.at);
    this.#words.edit(document, page, pick.place, pick.at);
  }

  /** A double click anywhere on the wall was meant for words. */
  protected readonly meant = meanToType;

  protected closeSlip(): void {
    this.#store.dispatch(DeskActions.choose({ choice: { place: null } }));
  }

  /** Edits the words of the place in hand; in the overview its page is enlarged first. */
  protected editChosen(tries = LOOKS): void {
    const place = this.desk().place;
    if (!place || tries === 0) return;
    meanToType();
    const frame = this.#live(place.page);
    if (frame?.takesPresses()) return this.#words.edit(frame.painter.document, place.page, place.id);
    if (this.desk().grown !== place.page) {
      this.#store.dispatch(DeskActions.grow({ page: place.page }));
      this.#store.dispatch(DeskActions.choose({ choice: { place } }));
    }
    setTimeout(() => this.editChosen(tries - 1), LOOK_MS);
  }

  /** The frame of a grown page at 1280. */
  #live(page: string | undefined): HungFrame | undefined {
    return page !== undefined && page === this.desk().grown ? this.#frames.frame(`${page} 1280`) : undefined;
  }

  #sectionOf(page: string, place: string): string | undefined {
    const site = this.site();
    return site ? siteIndex(site).byAddress.get(`${page} ${place}`)?.section : undefined;
  }

  /** Brings a chosen place to the middle of the wall as soon as its page hangs there at its full height. */
  #showPlace(place: { readonly page: string; readonly id: string }, tries = 0): void {
    if (this.desk().place !== place || this.#anchored === place) return;
    const frame = this.#live(place.page);
    const element = frame?.painter.document.querySelector(`[data-place="${place.id}"]`);
    const rect = element?.getBoundingClientRect();
    if (!frame || !rect || rect.height === 0 || rect.top * frame.scale() > frame.element.offsetHeight) {
      // A fresh frame is filled and measured some moments after it was asked for.
      if (tries < LOOKS) setTimeout(() => this.#showPlace(place, tries + 1), LOOK_MS);
      return;
    }
    const row = this.row()!.nativeElement;
    const { left, top } = onWall(row, frame.element);
    row.scrollTo({
      top: Math.max(0, top + rect.top * frame.scale() - row.clientHeight / 2),
      left: Math.max(0, left - 40),
    });
    this.#sections.pointed();
    this.#anchorAt(frame, place.page, rect);
  }

  /** Hangs the slip beside its place, where all of it is in sight and the wall stays where it is. */
  #anchorAt(frame: Pick<HungFrame, 'element' | 'scale'>, page: string, rect: DOMRect, at?: FramePick['at']): void {
    const row = this.row()!.nativeElement;
    const pair = document.getElementById(`page-${page}`)!;
    const scale = frame.scale();
    const { left, top } = onWall(row, frame.element);
    const view = viewOf(row);
    const place = {
      left: left + rect.left * scale,
      top: top + rect.top * scale,
      right: left + rect.right * scale,
      bottom: top + rect.bottom * scale,
    };
    this.anchor.set(
      slipSpot(
        view,
        onWall(row, pair).right,
        place,
        at ? { x: left + at.x * scale, y: top + at.y * scale } : { x: place.left, y: place.top },
      ),
    );
    this.#anchored = untracked(this.desk).place;
  }
}

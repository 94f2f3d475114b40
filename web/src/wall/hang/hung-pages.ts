import {
  DestroyRef,
  Injectable,
  computed,
  effect,
  inject,
  linkedSignal,
  signal,
  untracked,
  type ElementRef,
  type Signal,
} from '@angular/core';
import { Store } from '@ngrx/store';
import { publishedPages } from '@yohaku/core';
import { deskFeature, siteFeature } from '../../state/index.ts';
import { PageReadings, READ_WIDTHS, Calm } from '../read/index.ts';
import { Frames } from './frames.ts';
import { hanging, NONE_HUNG, oneFrameOn, type Hung } from './hanging.ts';
import type { Paper } from './page-pair.ts';

/** How tall a page is thought to be before any was read, px. */
const USUAL_PX = 900;
/** A page has come near when it has been so for so many ms: what only passes by is not filled. */
const NEAR_MS = 120;
/** A frame that is not there after so many ms is waited for no longer. */
const SHOWN_MS = 400;

/**
 * Which pages of the wall have frames, which come and go as it is scrolled, and how tall the paper of the others is.
 */
@Injectable()
export class HungPages {
  readonly #store = inject(Store);
  readonly #calm = inject(Calm);
  readonly #destroy = inject(DestroyRef);
  readonly #frames = inject(Frames);
  readonly #site = this.#store.selectSignal(siteFeature.selectCurrent);
  readonly #grown = this.#store.selectSignal(deskFeature.selectGrown);
  readonly #readings = inject(PageReadings);
  /** Every published look, in page order. The same pages give the same list. */
  readonly #order = computed(
    () => {
      const site = this.#site();
      return site ? publishedPages(site).map(({ id }) => id) : [];
    },
    { equal: (entry, other) => entry.length === other.length && entry.every((id, i) => id === other[i]) },
  );
  /** Pages in sight on the wall, or about to be. */
  readonly #near = signal<ReadonlySet<string>>(new Set());
  /** Pages that shall have frames. */
  readonly hanging = linkedSignal<
    { order: readonly string[]; near: ReadonlySet<string>; kept: string | null },
    ReadonlySet<string>
  >({
    source: () => ({ order: this.#order(), near: this.#near(), kept: this.#grown() }),
    computation: ({ order, near, kept }, previous) => hanging(order, previous?.value ?? new Set(), near, kept),
  });
  /** How tall most pages are that were read, px by width. */
  readonly #usual = computed((): Readonly<Record<number, number>> => {
    const known = [...this.#readings.heights()];
    return Object.fromEntries(
      READ_WIDTHS.map((width) => {
        const heights = known
          .flatMap(([key, height]) => (key.endsWith(` ${width}`) ? [height] : []))
          .sort((value, other) => value - other);
        return [width, heights[heights.length >> 1] ?? USUAL_PX];
      }),
    );
  });
  #papers: ReadonlyMap<string, Paper> = new Map();
  /**
   * How tall each of the pages is, in their order: as it was read, until then as most
   * of those that were. Far off it stays as it was thought: to give a thousand readings
   * another height is a layout of the whole wall. What is as it was stays the same object.
   */
  readonly papers = computed((): Paper[] => {
    const [near, hangs] = [this.#near(), this.hanging()];
    const tall = (page: string, width: number): number => this.#readings.heightOf(page, width) ?? this.#usual()[width]!;
    const order = this.#order();
    const papers = order.map((id): Paper => {
      const known = this.#papers.get(id);
      if (known && !near.has(id) && !hangs.has(id)) return known;
      const paper = { wide: tall(id, 1280), narrow: tall(id, 390) };
      return known && known.wide === paper.wide && known.narrow === paper.narrow ? known : paper;
    });
    this.#papers = new Map(order.map((id, i) => [id, papers[i]!]));
    return papers;
  });
  /** Pages that have their frame already, at either width; the others are readings of paper in their size. */
  readonly hung = signal(NONE_HUNG);
  #coming = 0;

  constructor() {
    effect(() => {
      this.hanging();
      untracked(() => this.#come());
    });
    this.#destroy.onDestroy(() => ++this.#coming);
  }

  /** Fills and takes away frame by frame, each in a turn of its own; those in the middle of what is near come first. */
  #come(): void {
    const turn = ++this.#coming;
    const near = this.#order().filter((page) => this.#near().has(page));
    const middle = (near.length - 1) / 2;
    const wanted = near
      .map((page, i) => ({ page, far: Math.abs(i - middle) }))
      .sort((entry, other) => entry.far - other.far)
      .map(({ page }) => page);
    const shall = [...new Set([...wanted.filter((page) => this.hanging().has(page)), ...this.hanging()])];
    const next = (): void => {
      if (turn !== this.#coming) return;
      const before = this.hung();
      const hung = oneFrameOn(before, shall, this.#grown());
      if (hung === before) return;
      for (const key of keysBeyond(before, hung)) this.#frames.frame(key)?.park();
      this.hung.set(hung);
      this.#calm.stir();
      void this.#shown(keysBeyond(hung, before)).then(() => requestIdleCallback(next, { timeout: 200 }));
    };
    next();
  }

  /**
   * When frames that were asked for are filled and laid out, or have taken too long: two that come between two pictures
   * of the screen are laid out in one piece.
   */
  async #shown(keys: readonly string[]): Promise<void> {
    const until = performance.now() + SHOWN_MS;
    while (keys.some((key) => !this.#frames.frame(key)) && performance.now() < until)
      await new Promise((resolve) => setTimeout(resolve, 8));
    if (keys.length > 0) await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
  }

  /** Watches which pages come near; those that do not stay are not filled. */
  watch(row: Signal<ElementRef<HTMLElement> | undefined>): void {
    const near = new Set<string>();
    let settling: ReturnType<typeof setTimeout> | undefined;
    let watched: { row: HTMLElement; sight: IntersectionObserver } | undefined;
    effect(() => {
      const element = row()?.nativeElement;
      const order = this.#order().length;
      if (watched?.row !== element) {
        watched?.sight.disconnect();
        near.clear();
        watched = element && {
          row: element,
          sight: new IntersectionObserver(
            (entries) => {
              for (const { target, isIntersecting } of entries) {
                const page = target.id.slice('page-'.length);
                if (isIntersecting) near.add(page);
                else near.delete(page);
              }
              clearTimeout(settling);
              settling = setTimeout(() => this.#near.set(new Set(near)), NEAR_MS);
            },
            { root: element, rootMargin: '0px 600px' },
          ),
        };
      }
      // After the pages of this order are there.
      if (watched && order > 0)
        setTimeout(() => {
          for (const pair of watched?.row.querySelectorAll('.pair') ?? []) watched!.sight.observe(pair);
        }, 0);
    });
    this.#destroy.onDestroy(() => watched?.sight.disconnect());
  }
}

const keysOf = ({ wide, narrow }: Hung): string[] => [
  ...[...wide].map((page) => `${page} 1280`),
  ...[...narrow].map((page) => `${page} 390`),
];

/** The frames that hang in one and not in the other. */
function keysBeyond(entry: Hung, other: Hung): string[] {
  const others = new Set(keysOf(other));
  return keysOf(entry).filter((key) => !others.has(key));
}

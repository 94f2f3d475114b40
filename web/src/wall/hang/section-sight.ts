import { Injectable, computed, effect, inject, untracked, type ElementRef, type Signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { publishedPages } from '@yohaku/core';
import { deskFeature, siteFeature } from '../../state/index.ts';
import { Frames } from './frames.ts';
import { inSightAcross, onWall } from './hold-still.ts';

/** A section is looked for on the wall at first after so many ms, and so often. */
const LOOK_MS = 120;
const LOOKS = 40;
/** Space above a section that comes into sight, px. */
const ABOVE = 40;

/** Keeps the section in hand in sight, wherever it was selected, added or moved, and the rest of the wall still. */
@Injectable()
export class SectionSight {
  readonly #store = inject(Store);
  readonly #frames = inject(Frames);
  readonly #site = this.#store.selectSignal(siteFeature.selectCurrent);
  readonly #desk = this.#store.selectSignal(deskFeature.selectDeskState);
  #row: Signal<ElementRef<HTMLElement> | undefined> | undefined;
  /** Page and section in hand, and where it stands on the page; empty without one. */
  readonly #key = computed(() => {
    const [site, { page, section }] = [this.#site(), this.#desk()];
    const at = site && page && section ? (site.pages[page]?.sectionOrder.indexOf(section) ?? -1) : -1;
    return at < 0 ? '' : `${page} ${section} ${at}`;
  });
  /** The same for a section that is in sight, because it was pressed on the wall or shown before. */
  #seen = '';
  readonly #order = computed(() =>
    this.#site()
      ? publishedPages(this.#site()!)
          .map(({ id }) => id)
          .join(' ')
      : '',
  );

  watch(row: Signal<ElementRef<HTMLElement> | undefined>): void {
    this.#row = row;
    effect(() => {
      const key = this.#key();
      if (key !== '' && key !== this.#seen) setTimeout(() => this.#show(key), LOOK_MS);
    });
    // Pages that come or go before what is in sight move nothing that is in sight.
    effect(() => {
      this.#order();
      const wall = untracked(row)?.nativeElement;
      const first = [...(wall?.querySelectorAll<HTMLElement>('.pair') ?? [])].find(
        (pair) => pair.offsetLeft + pair.offsetWidth > wall!.scrollLeft,
      );
      const was = first?.offsetLeft;
      if (first)
        setTimeout(() => {
          if (first.isConnected) wall!.scrollLeft += first.offsetLeft - was!;
        }, 0);
    });
  }

  /** The section in hand was pressed on the wall: it is in sight. */
  pointed(): void {
    this.#seen = this.#key();
  }

  /** Brings the section in hand into sight. */
  show(): void {
    this.#seen = '';
    if (this.#key() !== '') this.#show(this.#key());
  }

  /** Scrolls as soon as the page hangs. A section that is mostly in sight stays where it is. */
  #show(key: string, tries = LOOKS): void {
    const { page, section } = this.#desk();
    const row = this.#row?.()?.nativeElement;
    const pair = document.getElementById(`page-${page}`);
    if (this.#key() !== key || key === this.#seen || tries === 0 || !row || !pair) return;
    // A page that is far from what is in sight has no frame yet.
    if (!inSightAcross(row, pair)) row.scrollLeft = Math.max(0, pair.offsetLeft - 40);
    const frame = this.#frames.frame(`${page} 1280`);
    const rect = frame?.painter.document.querySelector(`[data-part="${section}"]`)?.getBoundingClientRect();
    if (!frame || !rect || rect.height === 0) return void setTimeout(() => this.#show(key, tries - 1), LOOK_MS);
    const top = onWall(row, frame.element).top + rect.top * frame.scale();
    const height = rect.height * frame.scale();
    const shown = Math.min(top + height, row.scrollTop + row.clientHeight) - Math.max(top, row.scrollTop);
    if (shown < Math.min(height, row.clientHeight) / 2) row.scrollTop = Math.max(0, top - ABOVE);
    this.#seen = key;
  }
}

import { Injectable, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { tokenTable, type Token } from '@yohaku/core';
import { KEYS, type Key } from '../../ui/index.ts';
import { sourcesFeature } from '../sources/sources.ts';
import { siteFeature } from '../site/site.selectors.ts';
import { deskFeature, type DeskState } from './desk.ts';

/** A view of the wall, as the switch in the top line offers it. */
export interface WallView {
  readonly id: DeskState['hanging'];
  readonly label: string;
  readonly tip: string;
  readonly key?: Key;
  /** True if the wall shows it. */
  readonly on: boolean;
}

/** The facts that decide which views are offered. */
interface Facts {
  readonly inSources: boolean;
  readonly sources: boolean;
  readonly pinned: boolean;
  readonly selected: Token | undefined;
}

/** Every view that the switch can offer, in its order. A view is declared here and drawn in `wall.html`. */
const VIEWS: readonly {
  readonly id: DeskState['hanging'];
  readonly label: string | ((facts: Facts) => string);
  readonly tip: string;
  readonly key?: Key;
  readonly offered?: (facts: Facts) => boolean;
}[] = [
  { id: 'all', label: 'All pages', tip: 'All pages at 1280 and 390 px, in page order' },
  { id: 'specimen', label: 'Specimen', tip: 'All tokens on one page', key: KEYS.specimen },
  {
    id: 'sources',
    label: 'Sources',
    tip: 'The images and drawings that colours come from',
    offered: ({ inSources, sources }) => inSources && sources,
  },
  { id: 'logo', label: 'Logo', tip: 'The logo on every background', offered: ({ inSources }) => inSources },
  { id: 'pin', label: 'Comparison', tip: 'A design over a page', offered: ({ pinned }) => pinned },
  {
    id: 'reach',
    label: ({ selected }) => `Uses of ${selected!.label}`,
    tip: 'Shows only the sections with this token, larger; identical ones are stacked',
    offered: ({ selected }) => selected !== undefined,
  },
];

/** The views of the wall: those that are offered now, and the one that it shows. */
@Injectable({ providedIn: 'root' })
export class WallViews {
  readonly #store = inject(Store);
  readonly #desk = this.#store.selectSignal(deskFeature.selectDeskState);
  readonly #site = this.#store.selectSignal(siteFeature.selectCurrent);
  readonly #sources = this.#store.selectSignal(sourcesFeature.selectSources);
  readonly #pin = this.#store.selectSignal(sourcesFeature.selectPin);

  /** The selected token; undefined if there is none. */
  readonly selected = computed(() => {
    const path = this.#desk().selected;
    const site = this.#site();
    return path && site ? tokenTable(site.brand).get(path) : undefined;
  });
  readonly #facts = computed((): Facts => {
    const inSources = this.#desk().step === 'sources';
    return {
      inSources,
      sources: this.#sources().length > 0,
      pinned: inSources && this.#sources().some((source) => source.id === this.#pin()?.sources),
      selected: this.selected(),
    };
  });
  /** The shown view. One that is not offered any more gives way to all pages. */
  readonly shown = computed((): DeskState['hanging'] => {
    const { hanging, together } = this.#desk();
    if (hanging === 'together') return together ? 'together' : 'all';
    return VIEWS.some(({ id, offered }) => id === hanging && (offered?.(this.#facts()) ?? true)) ? hanging : 'all';
  });
  readonly offered = computed((): readonly WallView[] =>
    VIEWS.filter(({ offered }) => offered?.(this.#facts()) ?? true).map(({ id, label, tip, key }) => ({
      id,
      label: typeof label === 'string' ? label : label(this.#facts()),
      tip,
      ...(key ? { key } : {}),
      on: this.shown() === id,
    })),
  );
}

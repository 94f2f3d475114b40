import { Injectable, computed, inject, linkedSignal } from '@angular/core';
import { Store } from '@ngrx/store';
import { LitScope, deskFeature, siteFeature } from '../../state/index.ts';
import { HungPages } from './hung-pages.ts';
/**
 * Returns true if the same places are lit: an edit that lights no others has no mark to move before the pages have
 * settled.
 */
function sameLit(
  map: ReadonlyMap<string, ReadonlySet<string>>,
  other: ReadonlyMap<string, ReadonlySet<string>>,
): boolean {
  return (
    map.size === other.size &&
    [...map].every(([page, places]) => {
      const others = other.get(page);
      return others?.size === places.size && [...places].every((id) => others.has(id));
    })
  );
}

/** Returns the ids of the failing places of each page. */
export function failingByPage(
  rows: readonly { readonly page: string; readonly place: string }[],
): ReadonlyMap<string, ReadonlySet<string>> {
  const failing = new Map<string, Set<string>>();
  for (const { page, place } of rows) failing.set(page, (failing.get(page) ?? new Set()).add(place));
  return failing;
}

/** Computes which places of the hanging pages are lit: those of the focused control, else the selected ones. */
@Injectable()
export class LitPlaces {
  readonly #store = inject(Store);
  readonly #hung = inject(HungPages);
  readonly #reach = inject(LitScope).reach;
  readonly #desk = this.#store.selectSignal(deskFeature.selectDeskState);
  readonly #scope = this.#store.selectSignal(deskFeature.selectLit);
  /** The site as it is painted, with the preview of a held control. */
  readonly #shown = this.#store.selectSignal(siteFeature.selectShown);

  /** Ids of the lit places, by page. */
  readonly lit = computed(
    (): ReadonlyMap<string, ReadonlySet<string>> => {
      const { place, also } = this.#desk();
      // Once a value is set, what it is set on is looked at: outlines would lie over the very corners and letters.
      if (this.#changed()) return new Map();
      const reach = this.#reach();
      if (!reach) return new Map(place ? [[place.page, new Set([place.id, ...also.map(({ id }) => id)])]] : []);
      // Only what hangs has marks: the others are not taken apart for them.
      return new Map(
        [...this.#hung.hanging()].flatMap((page): [string, ReadonlySet<string>][] =>
          reach.on(page).size > 0 ? [[page, reach.on(page)]] : [],
        ),
      );
    },
    { equal: sameLit },
  );

  /** True if a value changed since the control that has the focus got it, or the place was chosen. */
  readonly #changed = linkedSignal<{ scope: unknown; place: unknown; shown: unknown }, boolean>({
    source: () => ({ scope: this.#scope(), place: this.#desk().place, shown: this.#shown() }),
    computation: (now, before) =>
      before && now.scope === before.source.scope && now.place === before.source.place
        ? before.value || now.shown !== before.source.shown
        : false,
  });
}

import type { Place } from '../page/index.ts';
import type { Section } from '../site/index.ts';
import { positionIn } from './position.ts';

/** The places of a section of a shape, for sections of that shape with values set on some of theirs. */
export interface Mould<Look> {
  readonly places: readonly Place[];
  /** At which position in the section each place stands, and takes its text values from; -1 outside of it. */
  readonly under: readonly number[];
  readonly inherits: readonly number[];
  /** Positions by name. */
  readonly at: ReadonlyMap<string, number>;
  /** The looks it has where nothing is set, as far as they are known, by that of the page it stands on. */
  readonly plain: Map<Look, (Look | undefined)[]>;
}

/** Returns the mould of a section from its places. */
export function mouldOf<Look>(places: readonly Place[], section: Section): Mould<Look> {
  const position = new Map(places.map((place, i) => [place, i]));
  const at = (place: Place | null): number => (place ? (position.get(place) ?? -1) : -1);
  return {
    places, under: places.map((place) => at(place.under)), inherits: places.map((place) => at(place.inherits)),
    at: new Map(places.flatMap((place, i) => {
      const name = positionIn(section, place.id);
      return name === null ? [] : [[name, i] as const];
    })),
    plain: new Map(),
  };
}

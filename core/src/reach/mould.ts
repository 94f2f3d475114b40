import type { Place } from '../page/index.ts';
import type { Section } from '../site/index.ts';
import { positionIn } from './position.ts';

/** The places of one section shape: sections of that shape with values set on some places copy them. */
export interface Mould<Look> {
  readonly places: readonly Place[];
  /**
   * The position of the place below each place, and of the place that it inherits text values from; -1 outside the
   * section.
   */
  readonly under: readonly number[];
  readonly inherits: readonly number[];
  /** Positions by name. */
  readonly at: ReadonlyMap<string, number>;
  /** The known looks without set values, by the look of the page. */
  readonly plain: Map<Look, (Look | undefined)[]>;
}

/** Returns the mould of a section from its places. */
export function mouldOf<Look>(places: readonly Place[], section: Section): Mould<Look> {
  const position = new Map(places.map((place, i) => [place, i]));
  const at = (place: Place | null): number => (place ? (position.get(place) ?? -1) : -1);
  return {
    places,
    under: places.map((place) => at(place.under)),
    inherits: places.map((place) => at(place.inherits)),
    at: new Map(
      places.flatMap((place, i) => {
        const name = positionIn(section, place.id);
        return name === null ? [] : [[name, i] as const];
      }),
    ),
    plain: new Map(),
  };
}

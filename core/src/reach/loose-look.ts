import type { Site, State } from '../site/index.ts';
import { recipes, type Recipe } from '../style/index.ts';
import type { PlaceKind } from '../kinds/index.ts';
import { makePainting } from './painting.ts';
import type { Group } from './group.ts';

const NOTHING_SET = { here: [], used: [] } as const;

/**
 * A look that stands on the bare background of a ground and on no page: for what is judged before anything has it. It
 * has no places.
 */
export function looseLook(
  site: Site,
  kind: PlaceKind,
  list: readonly Recipe[],
  states: readonly State[],
  ground: string,
): Group {
  const wash = site.brand.grounds[ground]?.wash !== undefined;
  const common = {
    inherits: null,
    pictured: false,
    inline: false,
    style: null,
    hidden: [],
    ground,
    count: 0,
    places: [],
  } as const;
  const surface: Group = {
    ...common,
    kind: 'surface',
    states: ['rest'],
    painting: makePainting(site.brand, [recipes.background(ground)], NOTHING_SET, ['rest'], null),
    under: null,
    overPicture: false,
  };
  return {
    ...common,
    kind,
    states,
    painting: makePainting(site.brand, list, NOTHING_SET, states, null),
    under: surface,
    overPicture: wash,
  };
}

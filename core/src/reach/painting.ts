import { type Brand, type Override, type State, INHERITED, type PaintedProperty } from '../site/index.ts';
import { BANDS, type BandId } from '../breakpoint/index.ts';
import { declarationsOf, type Declaration, type Recipe } from '../style/index.ts';
import { STATES } from '../site/index.ts';

/** The value of one property of a place, in one state and band. */
export interface Cell {
  readonly property: PaintedProperty;
  readonly state: State;
  readonly band: BandId;
  /** Token the recipes name; null when only an override speaks. */
  readonly token: string | null;
  /** The value set on this place instead, if there is one. */
  readonly override: Override | null;
  /** The painting whose font size an `em` in this value is measured in. */
  readonly owner: Painting;
}

/** Everything that paints one look of a place, in all states and bands. */
export interface Painting {
  readonly recipes: readonly Recipe[];
  readonly set: SetOn;
  /** All values set on it, those set here last. */
  readonly overrides: readonly Override[];
  readonly cells: readonly Cell[];
  at(property: PaintedProperty, state: State, band: BandId): Cell | undefined;
  /** Returns true if anything sets the property, in some state and band. */
  has(property: PaintedProperty): boolean;
}

const STATE_AT: Record<State, number> = {
  rest: 0,
  visited: 1,
  hover: 2,
  focus: 3,
  pressed: 4,
  disabled: 5,
  selected: 6,
  busy: 7,
};
const BAND_AT: Record<BandId, number> = { phone: 0, tablet: 1, desktop: 2 };
/** Position of a state and band in a property's row: looked up far too often to make a text of them. */
const position = (state: State, band: BandId): number => STATE_AT[state] * 3 + BAND_AT[band];

/** Values set on a place: on this one, and on it wherever it is used. */
export interface SetOn {
  readonly here: readonly Override[];
  readonly used: readonly Override[];
}

/**
 * Works out which declaration or override wins for each property, state and
 * band: a state's own declaration over the resting one, the later recipe over
 * the earlier, an override over all of them (it stands in the last layer), one
 * set here over one set wherever it is used, of either one for a band over one
 * for all widths, and what is missing from the parent.
 */
export function makePainting(
  brand: Brand,
  recipeList: readonly Recipe[],
  set: SetOn,
  states: readonly State[],
  parent: Painting | null,
): Painting {
  const { here, used } = set;
  const declarations = recipeList.flatMap((recipe) => declarationsOf(brand, recipe));
  const overrides = [...used, ...here];
  const properties = new Set<PaintedProperty>([
    ...declarations.map((declaration) => declaration.property),
    ...overrides.map((override) => override.property),
  ]);
  const map = new Map<PaintedProperty, Cell[]>();
  const painting: Painting = {
    recipes: recipeList,
    set,
    overrides,
    cells: [],
    at: (property, state, band) => map.get(property)?.[position(state, band)],
    has: (property) => map.has(property),
  };
  const cells = painting.cells as Cell[];
  const add = (cell: Cell) => {
    const row = map.get(cell.property) ?? [];
    map.set(cell.property, row);
    row[position(cell.state, cell.band)] = cell;
    cells.push(cell);
  };
  for (const state of STATES) {
    if (!states.includes(state)) continue;
    for (const { id: band } of BANDS) {
      for (const property of properties) {
        const declared = winner(declarations, property, state, band);
        const own = setFor(here, property, band) ?? setFor(used, property, band);
        // A value set on a place is that of its element; what is selected in it is painted by the highlight's own rule.
        const override = declared?.state === 'selected' ? null : (own ?? null);
        if (declared || override)
          add({ property, state, band, token: declared?.token ?? null, override, owner: painting });
      }
      if (!parent) continue;
      for (const property of INHERITED) {
        if (painting.at(property, state, band)) continue;
        const inherited = parent.at(property, 'rest', band);
        if (inherited) add({ ...inherited, state });
      }
    }
  }
  return painting;
}

/** The last value set for a property in a band; one for the band goes before one for all widths. */
function setFor(list: readonly Override[], property: PaintedProperty, band: BandId): Override | undefined {
  return (
    list.findLast((entry) => entry.property === property && entry.band === band) ??
    list.findLast((entry) => entry.property === property && entry.band === null)
  );
}

function winner(
  declarations: readonly Declaration[],
  property: PaintedProperty,
  state: State,
  band: BandId,
): Declaration | undefined {
  let best: Declaration | undefined;
  for (const declaration of declarations) {
    if (declaration.property !== property || (declaration.band && declaration.band !== band)) continue;
    if (declaration.state ? declaration.state === state : !best?.state) best = declaration;
  }
  return best;
}

/** The description of a painted property. */
interface Painted {
  /**
   * Computed styles of the browser that tell what was painted; or, in words, why none does. A property without either
   * cannot be declared.
   */
  readonly computed: readonly string[] | string;
  /** How two values are told to be the same, by the kind of value they are. */
  readonly value: 'color' | 'length' | 'word' | 'family' | 'shadow';
  /** True if it can be set on one place. */
  readonly settable: boolean;
  /** True if an element without a value of its own takes its parent's. */
  readonly inherited: boolean;
  /** Its label in the slip of a place; null if the slip has no such row. */
  readonly row: string | null;
}

const painted = <const M extends Partial<Painted>>(value: Painted['value'], computed: Painted['computed'], more: M) =>
  ({ value, computed, settable: false, inherited: false, row: null, ...more }) as Omit<Painted, keyof M> & M;
const set = { settable: true } as const;
const inherited = { inherited: true } as const;
const corners = ['borderTopLeftRadius', 'borderTopRightRadius', 'borderBottomRightRadius', 'borderBottomLeftRadius'];
const edges = ['borderTopWidth', 'borderRightWidth', 'borderBottomWidth', 'borderLeftWidth'];

/**
 * Every property that the brand paints, in the order of a slip's rows. The
 * stylesheet, the resolver of places, the comparison with the browser, what can be
 * set on a place, and the rows of a slip all follow from here. Layout that no token
 * moves is not among them.
 */
export const PAINTED = {
  color: painted('color', ['color'], { ...set, ...inherited, row: 'Colour' }),
  'background-color': painted('color', ['backgroundColor'], { ...set, row: 'Fill' }),
  'background-image': painted('word', ['backgroundImage'], { row: 'Gradient' }),
  'border-color': painted('color', ['borderTopColor'], { ...set, row: 'Edge' }),
  'font-family': painted('family', ['fontFamily'], { ...set, ...inherited, row: 'Family' }),
  'font-size': painted('length', ['fontSize'], { ...set, ...inherited, row: 'Size' }),
  'font-weight': painted('word', ['fontWeight'], { ...set, ...inherited, row: 'Weight' }),
  'line-height': painted('length', ['lineHeight'], { ...set, ...inherited, row: 'Line' }),
  'letter-spacing': painted('length', ['letterSpacing'], { ...set, ...inherited }),
  'padding-block': painted('length', ['paddingTop', 'paddingBottom'], { ...set, row: 'Above, below' }),
  'padding-inline': painted('length', ['paddingLeft', 'paddingRight'], { ...set, row: 'Sides' }),
  'border-radius': painted('length', corners, { ...set, row: 'Corner' }),
  width: painted('length', ['width'], { row: 'Width' }),
  'margin-block-start': painted('length', ['marginTop'], set),
  'margin-block-end': painted('length', ['marginBottom'], set),
  'font-style': painted('word', ['fontStyle'], inherited),
  'text-transform': painted('word', ['textTransform'], inherited),
  'font-variant-numeric': painted('word', ['fontVariantNumeric'], inherited),
  'outline-color': painted('color', ['outlineColor'], {}),
  'border-width': painted('length', edges, {}),
  'border-block-start-width': painted('length', ['borderTopWidth'], {}),
  'border-block-end-width': painted('length', ['borderBottomWidth'], {}),
  'box-shadow': painted('shadow', ['boxShadow'], {}),
  'text-underline-offset': painted('length', ['textUnderlineOffset'], {}),
  'text-decoration-thickness': painted('length', ['textDecorationThickness'], {}),
  gap: painted('length', ['rowGap', 'columnGap'], {}),
  'max-width': painted('length', ['maxWidth'], {}),
  'transition-duration': painted('word', 'the pages on the desk are held still while they are compared', {}),
  'transition-timing-function': painted('word', 'the pages on the desk are held still while they are compared', {}),
} as const satisfies Readonly<Record<string, Painted>>;

/** A property the brand paints by a declaration. */
type Declared = keyof typeof PAINTED;
/** A property the brand paints; what a drawing is painted with is in its file, by number. */
export type PaintedProperty = Declared | `drawing-${number}`;

/** Returns the description of a painted property. */
export function paintedFacts(property: PaintedProperty): Painted {
  return property in PAINTED
    ? PAINTED[property as Declared]
    : {
        value: 'color',
        computed: 'what a drawing is painted with is in its file',
        settable: false,
        inherited: false,
        row: 'Drawing',
      };
}

const all = Object.keys(PAINTED) as Declared[];
/** Those of which a value can be set on one place. */
export type OverrideProperty = { [P in Declared]: (typeof PAINTED)[P]['settable'] extends true ? P : never }[Declared];
export const OVERRIDE_PROPERTIES = all.filter((property): property is OverrideProperty => PAINTED[property].settable);
/** Those that an element without a value of its own takes from its parent. */
export const INHERITED: ReadonlySet<PaintedProperty> = new Set(all.filter((property) => PAINTED[property].inherited));
/** Those that are rows of a slip, in order. */
export const SLIP_ROWS: readonly PaintedProperty[] = all.filter((property) => PAINTED[property].row !== null);

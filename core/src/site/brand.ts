import * as v from 'valibot';
import { RoleName, RoleValue } from '../background/index.ts';
import { FAMILY_KINDS, FAMILY_SHAPES } from '../type/index.ts';
import { OwnShape, shapeFields } from './shape-parts.ts';
import { byField, byId, Id, isReservedName, Label, Order, PathSegment, ranged, record, text } from '../fields/index.ts';
import { orderOf, refTo } from '../kinds/index.ts';

const OklchSchema = v.strictObject({
  l: ranged('lightness'),
  c: ranged('chroma'),
  h: ranged('hue'),
  alpha: ranged('shade'),
});

const ShiftSchema = v.strictObject({
  source: Id,
  lightness: ranged('lighter'),
  chroma: ranged('chromaShare'),
  hue: ranged('hueTurn'),
});
const RuleSchema = byField([
  [
    'kind',
    v.variant('kind', [
      v.strictObject({ kind: v.literal('mix'), source: Id, with: Id, share: ranged('share') }),
      v.strictObject({ kind: v.literal('contrast'), source: Id, on: Id, ratio: ranged('ratio') }),
      v.strictObject({ kind: v.literal('over'), source: Id, on: Id, alpha: ranged('share') }),
    ]),
  ],
  [null, ShiftSchema],
]);

/**
 * A named colour. `typed` keeps the notation as it was written; a derived swatch has a `rule` and its `color` is what
 * the rule last gave.
 */
export const Swatch = v.strictObject({
  id: Id,
  label: Label,
  path: PathSegment,
  part: v.picklist(['core', 'side']),
  color: OklchSchema,
  typed: text(80),
  rule: v.nullable(RuleSchema),
  /** The rule it had before it was made plain, so that it can have it back. */
  formerRule: v.optional(v.nullable(RuleSchema)),
  /** The choices for similar colours: whether they move with it. */
  similar: v.optional(record(text(200), v.picklist(['along', 'leave']))),
  locked: v.boolean(),
  provisional: v.boolean(),
});
export type Swatch = v.InferOutput<typeof Swatch>;

/** A background with every colour that may sit on it. A role that is absent is computed by its rule. */
export const Ground = v.strictObject({
  id: Id,
  label: Label,
  path: PathSegment,
  roles: record(RoleName, RoleValue, 5000),
  /**
   * A gradient from the background to its far end, at an angle in degrees: 0 upwards, clockwise. Absent: the background
   * is flat.
   */
  wash: v.optional(v.nullable(v.strictObject({ angle: ranged('angle') }))),
});
export type Ground = v.InferOutput<typeof Ground>;

export const StyleSize = v.variant('kind', [
  v.strictObject({ kind: v.literal('step'), step: v.pipe(v.number(), v.integer(), v.minValue(-4), v.maxValue(10)) }),
  v.strictObject({ kind: v.literal('pinned'), small: ranged('fontSize'), large: ranged('fontSize') }),
]);
export type StyleSize = v.InferOutput<typeof StyleSize>;

/** Everything about how a text looks except its colour, which is a role of the ground it stands on. */
export const TextStyle = v.strictObject({
  id: Id,
  label: Label,
  path: PathSegment,
  family: v.picklist(['heading', 'body']),
  weight: ranged('fontWeight'),
  italic: v.boolean(),
  size: StyleSize,
  /** Sizes of single bands that do not follow the two ends, px. */
  at: v.optional(
    v.strictObject({
      phone: v.optional(ranged('fontSize')),
      tablet: v.optional(ranged('fontSize')),
      desktop: v.optional(ranged('fontSize')),
    }),
  ),
  /** Figures of equal width, for columns of numbers; absent: as the font has them. */
  figures: v.optional(v.picklist(['font', 'table'])),
  /** The longest line in characters of running text; absent: as the layout has it. */
  longest: v.optional(ranged('lineLength')),
  lineHeight: ranged('lineHeight'),
  letterSpacing: ranged('letterSpacing'),
  textCase: v.picklist(['none', 'uppercase']),
  role: v.picklist(['text', 'heading', 'secondary', 'eyebrow', 'link']),
  spaceAbove: ranged('space'),
  spaceBelow: ranged('space'),
  /** Heading levels that take this style unless told otherwise. */
  levels: v.pipe(v.array(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(6))), v.maxLength(6)),
  /** `heading` styles must go down in size; `running` text has a floor on phones; `fine` print and `other` have not. */
  use: v.picklist(['heading', 'running', 'fine', 'other']),
  provisional: v.boolean(),
});
export type TextStyle = v.InferOutput<typeof TextStyle>;

const End = v.strictObject({
  width: v.pipe(v.number(), v.finite(), v.minValue(320), v.maxValue(2560)),
  base: ranged('scaleBase'),
  ratio: ranged('scaleRatio'),
});
const ScaleSchema = v.pipe(
  v.strictObject({ small: End, large: End, snapped: v.optional(v.boolean()) }),
  v.check(({ small, large }) => small.width < large.width, 'the small width must be below the large one'),
);

/** A value for each band; a narrower one without takes that of the next wider. */
const ByBand = v.strictObject({
  phone: v.nullable(ranged('space')),
  tablet: v.nullable(ranged('space')),
  desktop: ranged('space'),
});

/**
 * A named distance with a value for each band. `section` paddings are chosen by sections; the others have one fixed
 * use.
 */
export const Space = v.strictObject({
  id: Id,
  label: Label,
  path: PathSegment,
  use: v.picklist(['section', 'gutter', 'gap', 'card']),
  values: ByBand,
});
export type Space = v.InferOutput<typeof Space>;

const ButtonVariant = v.strictObject({ id: Id, label: Label, path: PathSegment, shape: v.optional(OwnShape) });
export type ButtonVariant = v.InferOutput<typeof ButtonVariant>;
const ButtonSize = v.strictObject({
  id: Id,
  label: Label,
  path: PathSegment,
  padX: ranged('space'),
  padY: ranged('space'),
});

const KeptPath = v.pipe(
  text(300),
  v.minLength(1),
  v.check((path) => !path.split('.').some(isReservedName), 'is not a token path'),
  v.check((path) => !path.startsWith('--') || /^--[\p{L}\p{N}_-]+$/u.test(path), 'is not a custom property name'),
);
const KeptJson = v.pipe(v.string(), v.maxLength(20_000), v.check(isJson, 'is not JSON'));
function isJson(text: string): boolean {
  try {
    JSON.parse(text);
    return true;
  } catch {
    return false;
  }
}

/** A named way to move: how long, and by which cubic Bézier curve. */
export const Motion = v.strictObject({
  id: Id,
  label: Label,
  path: PathSegment,
  duration: ranged('duration'),
  easing: v.strictTuple([ranged('share'), ranged('bezierY'), ranged('share'), ranged('bezierY')]),
});
export type Motion = v.InferOutput<typeof Motion>;
/** The elements that a motion can apply to. */
export const MOTION_USES = ['button', 'link', 'field'] as const;
export type MotionUse = (typeof MOTION_USES)[number];

const Em = v.pipe(v.number(), v.minValue(0), v.maxValue(10));
const FontWeight = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1000));
const finite = v.pipe(v.number(), v.finite());
const CodePoint = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(0x10ffff));
const Runs = v.pipe(v.array(v.pipe(v.strictTuple([CodePoint, CodePoint]), v.readonly())), v.maxLength(4000));

/** One file of a family that was brought along, with what was read from it. */
export const OwnFaceSchema = v.strictObject({
  hash: v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/)),
  /** As the file was called. */
  file: text(200),
  weight: v.pipe(
    v.strictTuple([FontWeight, FontWeight]),
    v.check(([lightest, heaviest]) => lightest <= heaviest, 'the lightest weight must not be above the heaviest'),
  ),
  italic: v.boolean(),
  axes: v.pipe(v.array(v.strictObject({ tag: text(4), min: finite, max: finite })), v.maxLength(16)),
  embedding: v.picklist(['installable', 'editable', 'preview', 'restricted']),
  tableFigures: v.boolean(),
  /** Characters it has, as first and last code points of runs. */
  coverage: Runs,
});

/** A family that was brought along. */
export const OwnFamilySchema = v.strictObject({
  id: Id,
  name: v.pipe(v.string(), v.regex(/^[\p{L}\p{N} ._-]{1,60}$/u, 'must be letters, figures, spaces, dots, hyphens')),
  kind: v.picklist(FAMILY_KINDS),
  shape: v.picklist(FAMILY_SHAPES),
  faces: v.pipe(v.array(OwnFaceSchema), v.minLength(1), v.maxLength(40)),
  metrics: v.strictObject({
    ascent: Em,
    descent: Em,
    lineGap: Em,
    xHeight: Em,
    capHeight: Em,
    widths: record(v.pipe(v.string(), v.regex(/^\d{1,4}i?$/)), Em),
  }),
});
export type BroughtFamily = v.InferOutput<typeof OwnFamilySchema>;

/** All shared tokens of one site. Records by id with order lists. */
export const Brand = v.strictObject({
  swatches: byId(Swatch),
  swatchOrder: orderOf('swatches'),
  grounds: byId(Ground),
  groundOrder: orderOf('grounds'),
  families: v.strictObject({ heading: Id, body: Id, provisional: v.boolean() }),
  /** Families that were brought along, by id; those of the library are everybody's. */
  fonts: v.optional(byId(OwnFamilySchema)),
  scale: ScaleSchema,
  styles: byId(TextStyle),
  styleOrder: orderOf('styles'),
  variants: byId(ButtonVariant),
  variantOrder: orderOf('variants'),
  sizes: byId(ButtonSize),
  sizeOrder: orderOf('sizes'),
  buttonStyle: refTo('style', 'Style of button labels'),
  /** On which side of a button's words its icon stands; absent: before them. */
  iconSide: v.optional(v.picklist(['before', 'after'])),
  ...shapeFields,
  spaces: byId(Space),
  spaceOrder: orderOf('spaces'),
  /**
   * Named ways to move, and which of them buttons, links and fields take between their states; null: they change at
   * once.
   */
  motion: v.optional(
    v.strictObject({
      items: byId(Motion),
      order: orderOf('items'),
      uses: v.strictObject({ button: v.nullable(Id), link: v.nullable(Id), field: v.nullable(Id) }),
    }),
  ),
  /** Painted width of the logo, the narrowest it may be, and the clear space around it as a share of its width. */
  logo: v.optional(
    v.strictObject({ width: ranged('logoWidth'), smallest: ranged('logoWidth'), clear: ranged('share') }),
  ),
  /**
   * Swatches that must be told apart though no page shows them side by side yet: status marks each from each, chart
   * colours each from its neighbours.
   */
  apart: v.optional(v.strictObject({ status: v.pipe(Order, v.maxLength(12)), chart: v.pipe(Order, v.maxLength(12)) })),
  /** Tokens of other tools that nothing here uses, as JSON by path: kept so that they are written out again. */
  kept: v.optional(record(KeptPath, KeptJson, 20_000)),
});
export type Brand = v.InferOutput<typeof Brand>;

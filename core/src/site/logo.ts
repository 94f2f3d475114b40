import * as v from 'valibot';
import { byId, Hex, Id, Label, ranged, record } from '../fields/index.ts';
import { orderOf, refTo } from '../kinds/index.ts';

/** One form of the logo: a picture, with what was read of its colours. */
export const LogoForm = v.strictObject({
  id: Id,
  label: Label,
  asset: refTo('asset', 'Image'),
  /** Colours of its opaque area with their shares of it, 0 to 1. */
  colors: v.pipe(v.array(v.strictObject({ hex: Hex, share: ranged('share') })), v.minLength(1), v.maxLength(64)),
  /** Colour of its own plate where nothing of the ground shows around it; null where it is cut out. */
  plate: v.nullable(Hex),
});
export type LogoForm = v.InferOutput<typeof LogoForm>;

/** The logo: its forms, which of them stands on which ground, and the icon of the site made from it. */
export const Logo = v.strictObject({
  forms: byId(LogoForm),
  formOrder: v.pipe(orderOf('forms'), v.minLength(1)),
  /** Form by ground; a ground that is absent takes the form that is seen best on it. */
  onGround: record(Id, Id),
  /** True if the site's name stands beside it. */
  named: v.boolean(),
  /** The site's icon: a form on a ground's background, or (null) on nothing, with a margin as a share of the side. */
  icon: v.strictObject({
    form: Id,
    ground: v.nullable(refTo('ground', 'Background of the icon')),
    margin: ranged('iconMargin'),
  }),
});
export type Logo = v.InferOutput<typeof Logo>;

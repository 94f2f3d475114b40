import * as v from 'valibot';
import { parseColor } from '../color/index.ts';
import { isRoleName } from './roles.ts';

/** The name of a role. */
export const RoleName = v.pipe(v.string(), v.maxLength(120), v.check(isRoleName, 'is not a role of a background'));

/** A CSS colour that can be read; kept as typed. */
export const RawColor = v.pipe(
  v.string(),
  v.maxLength(80),
  v.check((text) => parseColor(text) !== undefined, 'is not a CSS colour'),
);

/**
 * The value of a role of a background: a swatch, a raw colour, or a rule.
 * `readable` is the core swatch with the highest contrast on the ground;
 * `same` takes the colour of another role of the same ground; `contrast` is the
 * colour nearest to a swatch, in its hue, that has a ratio on the ground.
 */
export const RoleValue = v.variant('kind', [
  v.strictObject({ kind: v.literal('swatch'), swatch: v.pipe(v.string(), v.maxLength(60)) }),
  v.strictObject({ kind: v.literal('raw'), color: RawColor }),
  v.strictObject({ kind: v.literal('readable') }),
  v.strictObject({ kind: v.literal('same'), role: RoleName }),
  v.strictObject({
    kind: v.literal('contrast'),
    swatch: v.pipe(v.string(), v.maxLength(60)),
    ratio: v.pipe(v.number(), v.finite(), v.minValue(1), v.maxValue(21)),
  }),
]);
export type RoleValue = v.InferOutput<typeof RoleValue>;

/** The swatch a value names, whether as it is or by its hue. */
export function roleSwatch(value: RoleValue): string | undefined {
  return value.kind === 'swatch' || value.kind === 'contrast' ? value.swatch : undefined;
}

/** The same value naming another swatch. */
export function withRoleSwatch(value: RoleValue, swatch: string): RoleValue {
  return value.kind === 'swatch' || value.kind === 'contrast' ? { ...value, swatch } : value;
}

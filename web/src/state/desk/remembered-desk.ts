import { VISIONS } from '@yohaku/core';
import { remember, remembered } from '../../ui/index.ts';
import { STANDARD, SURROUNDS, type DeskState } from './desk.ts';
import { stepNamed, stepOpens } from './steps.ts';

const KEY = 'yohaku-desk';

/** Returns the desk as this machine remembers it. Values that are out of range or unknown are standard again. */
export function rememberedDesk(): DeskState {
  try {
    const { step, height, surround, seen, severity, third, swatch, ground, style, unfolded, fits } = JSON.parse(
      remembered(KEY) ?? '{}',
    ) as Partial<DeskState>;
    const known = stepNamed(step ?? '') ?? STANDARD.step;
    return {
      ...STANDARD,
      step: known,
      height: typeof height === 'number' && height >= 60 && height <= 4000 ? height : null,
      hanging: stepOpens(known),
      surround: surround && SURROUNDS.includes(surround) ? surround : STANDARD.surround,
      seen: seen && VISIONS.includes(seen) ? seen : STANDARD.seen,
      severity: typeof severity === 'number' && severity >= 0 && severity <= 1 ? severity : STANDARD.severity,
      third: typeof third === 'number' && third >= 320 && third <= 2560 ? third : null,
      swatch: swatch ?? null,
      ground: ground ?? null,
      style: style ?? null,
      unfolded: unfolded === true,
      fits: fits === true,
    };
  } catch {
    return STANDARD;
  }
}

/** Remembers the choices of the desk on this machine. */
export function keepDesk({
  step,
  height,
  surround,
  seen,
  severity,
  third,
  swatch,
  ground,
  style,
  unfolded,
  fits,
}: DeskState): void {
  remember(
    KEY,
    JSON.stringify({ step, height, surround, seen, severity, third, swatch, ground, style, unfolded, fits }),
  );
}

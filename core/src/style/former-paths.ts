import { customProperty } from './token.ts';
import { stepPath } from './step-path.ts';

/** Steps of the scale as they were called until November 2026: `scale.step-2`, `scale.step-minus-1`. */
const STEP = /^scale\.step-(minus-)?(\d+)$/;
const STEP_PROPERTY = /--scale-step-(minus-)?(\d+)(?![\w-])/g;
/** Roles of backgrounds as they were called until December 2026: `ground.fog.text`. */
const BACKGROUND = /^ground\./;
const BACKGROUND_PROPERTY = /--ground-(?=[\w-])/g;

const step = (minus: string | undefined, figure: string): string => stepPath(Number(figure) * (minus ? -1 : 1));

/**
 * The path that a token has now, given one it has or had: documents, edits under way and files of before go on naming
 * it.
 */
export function presentPath(path: string): string {
  const match = STEP.exec(path);
  return match ? step(match[1], match[2]!) : path.replace(BACKGROUND, 'background.');
}

/** A sheet's text with the custom properties of before called as they are now. */
export function presentProperties(css: string): string {
  return css
    .replace(BACKGROUND_PROPERTY, '--background-')
    .replace(STEP_PROPERTY, (_whole, minus: string | undefined, figure: string) => customProperty(step(minus, figure)));
}

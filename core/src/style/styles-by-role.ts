import type { Brand, TextStyle } from '../site/index.ts';
import { styleSizeAt } from './style-size.ts';

/** Text styles by what they are for. */
export interface StylesByRole {
  readonly opening: string;
  readonly heading: string;
  readonly minor: string;
  readonly lead: string;
  readonly running: string;
  readonly fine: string;
  readonly eyebrow: string;
}

/** The reading size, px: the body style with the nearest size is the plain one. */
const READ_AT = 17;

/** The style for each purpose: one made for it, else the nearest there is, whether it is on the scale or not. */
export function stylesByRole(brand: Brand): StylesByRole {
  const styles = brand.styleOrder.map((id) => brand.styles[id]!);
  const find = (wanted: (style: TextStyle) => boolean) => styles.find(wanted)?.id;
  const running = styles.filter((style) => style.use === 'running');
  const away = (style: TextStyle) => Math.abs(styleSizeAt(brand, style, brand.scale.large.width) - READ_AT);
  const plain = (running.length > 0 ? running : styles).reduce((best, style) =>
    away(style) < away(best) ? style : best,
  ).id;
  const anyHeading = find((style) => style.use === 'heading');
  const heading = find((style) => style.levels.includes(2)) ?? anyHeading ?? plain;
  return {
    opening: find((style) => style.levels.includes(1)) ?? anyHeading ?? plain,
    heading,
    minor: find((style) => style.levels.includes(3)) ?? heading,
    lead: running[0]?.id ?? plain,
    running: plain,
    fine: find((style) => style.use === 'fine') ?? plain,
    eyebrow: find((style) => style.role === 'eyebrow') ?? plain,
  };
}

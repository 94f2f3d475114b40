import type { Logo } from '../site/index.ts';

/**
 * Sides in px at which the site's icon is made: browser tabs, bookmarks and tasks, home screens, and splash screens.
 */
export const ICON_SIDES = [16, 32, 180, 512] as const;
export type IconSide = (typeof ICON_SIDES)[number];

/** Where the icon of one size lies in the export. */
export function iconFile(side: IconSide): string {
  return `icon-${side}.png`;
}

/**
 * Box of the logo in a square icon, in px: whole, centred, inside the margin.
 *
 * @param size of the picture in px
 */
export function iconBox(
  side: number,
  margin: Logo['icon']['margin'],
  size: { readonly width: number; readonly height: number },
): { readonly left: number; readonly top: number; readonly width: number; readonly height: number } {
  const inner = Math.max(1, side - 2 * Math.round(side * margin));
  const scale = inner / Math.max(size.width, size.height);
  const width = Math.max(1, Math.round(size.width * scale));
  const height = Math.max(1, Math.round(size.height * scale));
  return { left: Math.round((side - width) / 2), top: Math.round((side - height) / 2), width, height };
}

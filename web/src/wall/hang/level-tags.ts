import type { OutlineEntry } from '@yohaku/core';

/** A heading of a page with the point at which its level is written, px of the screen. */
export type LevelTag = OutlineEntry & { readonly x: number; readonly y: number };

/**
 * Returns the tags of headings: behind the last word of each, or as near to that as the paper is wide.
 *
 * @param right largest x at which a tag fits, px of the screen
 */
export function levelTags(
  outline: readonly OutlineEntry[],
  document: Document,
  { scale, right }: { readonly scale: number; readonly right: number },
): LevelTag[] {
  return outline.flatMap((entry) => {
    const element = document.querySelector(`[data-place="${entry.place}"]`);
    if (!element) return [];
    const range = document.createRange();
    range.selectNodeContents(element);
    const last = [...range.getClientRects()].at(-1);
    if (!last) return [];
    return [{ ...entry, x: Math.min(last.right * scale + 4, right), y: (last.top + last.height / 2) * scale }];
  });
}

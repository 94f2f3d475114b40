/** A text as it is compared: without case and accents. */
const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}+/gu, '').toLowerCase();

/**
 * How well a label fits what was typed: 0 not at all. Every word typed has to be in
 * it; one that begins it counts most, one that begins a word of it more than one inside.
 */
export function rank(label: string, typed: string): number {
  const text = plain(label);
  const words = plain(typed).split(/\s+/).filter(Boolean);
  if (words.length === 0) return 0;
  let score = 0;
  for (const word of words) {
    const at = text.indexOf(word);
    if (at < 0) return 0;
    score += at === 0 ? 3 : new RegExp(`(^|[^\\p{L}\\p{N}])${word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}`, 'u').test(text) ? 2 : 1;
  }
  // Of two that fit alike the shorter one is meant.
  return score + 1 / (1 + text.length);
}

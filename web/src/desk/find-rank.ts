/** A text as it is compared: without case and accents. */
const plain = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{M}+/gu, '')
    .toLowerCase();

/** Points for a word that is only among the other words for a thing, and not in its name. */
const ALSO = 0.5;

/**
 * Returns how well a name fits what was typed: 0 not at all. Every word typed has to be in
 * the name or among the common other words for it. One that begins the name counts most,
 * then one that begins a word of it, then one inside it, then one among the other words.
 */
export function rank(label: string, typed: string, also = ''): number {
  const [text, others] = [plain(label), plain(also)];
  const words = plain(typed).split(/\s+/).filter(Boolean);
  if (words.length === 0) return 0;
  let score = 0;
  for (const word of words) {
    const at = text.indexOf(word);
    const begins = new RegExp(`(^|[^\\p{L}\\p{N}])${word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}`, 'u');
    if (at >= 0) score += at === 0 ? 3 : begins.test(text) ? 2 : 1;
    else if (begins.test(others)) score += ALSO;
    else return 0;
  }
  // Of two that fit alike the shorter one is meant.
  return score + 1 / (1 + text.length);
}

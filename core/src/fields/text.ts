// Control characters that no text needs and no database or XML takes, and halves of a character that was cut in two.
const UNFIT =
  /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;

/**
 * A text without what nothing can keep: control characters but tabs and line ends, and halves of characters. The same
 * text when it has none.
 */
export function cleanText(text: string): string {
  return text.replace(UNFIT, '');
}

/** A JSON value with every text in it cleaned, names of fields aside; the very same value when nothing had to be. */
export function cleanTexts<T>(value: T): T {
  if (typeof value === 'string') return cleanText(value) as T;
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) {
    let changed = false;
    const list = value.map((entry: unknown) => {
      const clean = cleanTexts(entry);
      if (clean !== entry) changed = true;
      return clean;
    });
    return changed ? (list as T) : value;
  }
  let changed: Record<string, unknown> | undefined;
  for (const [key, entry] of Object.entries(value)) {
    const clean: unknown = cleanTexts(entry);
    if (clean !== entry) (changed ??= { ...(value as Record<string, unknown>) })[key] = clean;
  }
  return (changed as T | undefined) ?? value;
}

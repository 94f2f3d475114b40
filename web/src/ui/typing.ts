/** Returns whether a key goes into words that are being typed: then it is no command. */
export function isTyping(event: KeyboardEvent): boolean {
  return (event.target as Element | null)?.matches?.('input:not([type=range]), textarea, [contenteditable]') ?? false;
}

/** A user who meant to type is thought to go on typing until no key was pressed for this long, ms. */
const MEANT_MS = 1000;
let meantUntil = 0;

/** Notes that the user asked for a text editor. If none opens, the letters typed next run no command. */
export function meanToType(): void {
  meantUntil = performance.now() + MEANT_MS;
}

/** Returns whether the user asked for a text editor within the last second, and notes a further key of the same words. */
export function isMeantAsText(): boolean {
  if (performance.now() > meantUntil) return false;
  meanToType();
  return true;
}

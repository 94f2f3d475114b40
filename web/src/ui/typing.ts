/** Returns whether a key goes into words that are being typed: then it is no command. */
export function isTyping(event: KeyboardEvent): boolean {
  return (event.target as Element | null)?.matches?.('input:not([type=range]), textarea, [contenteditable]') ?? false;
}

/**
 * Returns whether Escape has a use of its own where it is pressed: words that are being written, or a search that it
 * empties. Other fields stop the event while they have something to drop.
 */
export function keepsEscape(event: KeyboardEvent): boolean {
  const target = event.target as Element | null;
  return target?.matches?.('textarea, [contenteditable], input[type=search]:not(:placeholder-shown)') ?? false;
}

/** A user who meant to type is thought to go on typing until no key was pressed for this long, ms. */
const MEANT_MS = 1000;
let meantUntil = 0;

/**
 * Notes that the user asked for a text editor, or that one is still to open. If none opens, the letters typed next run
 * no command.
 */
export function meanToType(): void {
  meantUntil = performance.now() + MEANT_MS;
}

/**
 * Returns whether a key was pressed within a second after the user asked for a text editor, and notes it as one of the
 * same words.
 */
export function isMeantAsText({ timeStamp }: KeyboardEvent): boolean {
  if (timeStamp > meantUntil) return false;
  meanToType();
  return true;
}

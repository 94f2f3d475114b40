/** Whether a key goes into words that are being typed: then it is no command. */
export function isTyping(event: KeyboardEvent): boolean {
  return (event.target as Element | null)?.matches?.('input:not([type=range]), textarea, [contenteditable]') ?? false;
}

/** Part of the platform that TypeScript's library does not know yet; not every browser has it. */
declare const scheduler:
  { postTask(task: () => void, options: { priority: 'user-blocking' }): Promise<void> } | undefined;

/**
 * Lets the browser do what is more urgent, input and painting; what the server has to say comes after. Without the four
 * milliseconds that nested timers wait.
 */
export function turn(): Promise<void> {
  if (typeof scheduler !== 'undefined') return scheduler.postTask(() => undefined, { priority: 'user-blocking' });
  return new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => resolve();
    port2.postMessage(null);
  });
}

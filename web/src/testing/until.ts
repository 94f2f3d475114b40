/** Waits some milliseconds. */
export const soon = (ms = 20): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** Waits until something holds, however slow the machine is; the runner's own time ends it when it never does. */
export async function until(holds: () => boolean | Promise<boolean>): Promise<void> {
  while (!(await holds())) await soon();
}

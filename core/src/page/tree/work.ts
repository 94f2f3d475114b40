/**
 * Counts of work so far: whole pages, single parts of pages, and shapes of blocks.
 * Specs check bounds by these counts, because times depend on the machine.
 */
export const work = { trees: 0, parts: 0, shapes: 0 };

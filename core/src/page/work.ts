/**
 * How much was worked out so far: pages taken apart whole, single parts of pages,
 * and shapes of blocks. Specs hold bounds by these counts where a clock would hold
 * them on a quiet machine only.
 */
export const work = { trees: 0, parts: 0, shapes: 0 };

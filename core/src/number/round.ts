/** Rounds to `digits` decimals, half away from zero, without a negative zero. */
export function round(value: number, digits = 0): number {
  const factor = 10 ** digits;
  const rounded = (Math.sign(value) * Math.round(Math.abs(value) * factor)) / factor;
  return rounded === 0 ? 0 : rounded;
}

/**
 * Cuts `value` off downwards after `digits` decimals, so that a figure shown
 * never claims more than was found: 4.499 becomes 4.49, never 4.50.
 * A tiny tolerance keeps 4.1 from turning into 4.09 through binary fractions.
 */
export function cutDown(value: number, digits = 2): number {
  const factor = 10 ** digits;
  return Math.floor(value * factor + 1e-9) / factor;
}

/** The text of a figure cut off downwards with a fixed number of decimals. */
export function cutDownText(value: number, digits = 2): string {
  return cutDown(value, digits).toFixed(digits);
}

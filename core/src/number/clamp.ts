/** Keeps `value` within `low` and `high` (both included). Not-a-number becomes `low`. */
export function clamp(value: number, low: number, high: number): number {
  if (!(value >= low)) return low;
  return value > high ? high : value;
}

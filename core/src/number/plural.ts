/** A count with its noun: `plural(1, 'place')` is "1 place", `plural(1248, 'place')` "1 248 places". */
export function plural(count: number, noun: string, many = `${noun}s`): string {
  const digits = String(count).replace(/\B(?=(\d{3})+$)/g, '\u202f');
  return `${digits} ${count === 1 ? noun : many}`;
}

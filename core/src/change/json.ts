/** Returns true if two JSON values are equal, key order aside. An absent value equals only an absent one. */
export function jsonEqual(entry: unknown, other: unknown): boolean {
  if (entry === other) return true;
  if (typeof entry !== 'object' || typeof other !== 'object' || entry === null || other === null) return false;
  if (Array.isArray(entry) || Array.isArray(other)) {
    return (
      Array.isArray(entry) &&
      Array.isArray(other) &&
      entry.length === other.length &&
      entry.every((value, i) => jsonEqual(value, other[i]))
    );
  }
  const keys = Object.keys(entry);
  if (keys.length !== Object.keys(other).length) return false;
  return keys.every(
    (key) =>
      Object.hasOwn(other, key) &&
      jsonEqual((entry as Record<string, unknown>)[key], (other as Record<string, unknown>)[key]),
  );
}

/**
 * Returns a JSON value with the keys of every record sorted, so that equal documents
 * give the same bytes: the database does not keep the order of keys.
 */
export function inKeyOrder<T>(value: T): T {
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) return value.map((entry) => inKeyOrder(entry as unknown)) as T;
  const record = value as Record<string, unknown>;
  return Object.fromEntries(
    Object.keys(record)
      .sort()
      .map((key) => [key, inKeyOrder(record[key])]),
  ) as T;
}

/** The value at an address, or undefined when any step of it is not there. */
export function valueAt(root: unknown, address: readonly string[]): unknown {
  let here = root;
  for (const step of address) {
    if (typeof here !== 'object' || here === null || !Object.hasOwn(here, step)) return undefined;
    here = (here as Record<string, unknown>)[step];
  }
  return here;
}

/** A copy with another value at the address (absent: the field is removed), sharing everything beside the way to it. */
export function withValue<T>(root: T, address: readonly string[], value: unknown): T {
  const [step, ...rest] = address;
  if (step === undefined) return value as T;
  const record = root as Record<string, unknown>;
  if (rest.length === 0 && value === undefined) {
    const { [step]: _gone, ...others } = record;
    return others as T;
  }
  return { ...record, [step]: withValue(record[step], rest, value) } as T;
}

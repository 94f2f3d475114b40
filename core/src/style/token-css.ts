import type { Brand } from '../site/index.ts';
import { customProperty, type Token } from './token.ts';
import { tokenTable } from './table.ts';

/**
 * Those properties, and with them every one that points to one of them: what has to be declared on an element below
 * the root, because the root has answered its own `var()` already when it hands them down.
 */
export function withFollowers(
  brand: Brand,
  changed: ReadonlyMap<string, string | undefined>,
): Map<string, string | undefined> {
  const all = new Map(changed);
  if (changed.size === 0) return all;
  const table = tokenTable(brand);
  const known = new Map<string, boolean>();
  const follows = (token: Token): boolean => {
    let is = known.get(token.path);
    if (is !== undefined) return is;
    // Until it is known better: a chain that comes back to itself follows nothing.
    known.set(token.path, false);
    const source = token.alias === undefined ? undefined : table.get(token.alias);
    is = changed.has(customProperty(token.path)) || (source !== undefined && follows(source));
    known.set(token.path, is);
    return is;
  };
  for (const token of table.values()) if (follows(token)) all.set(customProperty(token.path), tokenCssValue(token));
  return all;
}

/** `tokens.css`: custom properties only, one line a token; aliases as `var()`. */
export function tokensCss(brand: Brand): string {
  const lines = [...tokenTable(brand).values()].map(
    (token) => `  ${customProperty(token.path)}: ${tokenCssValue(token)};`,
  );
  return `:root {\n${lines.join('\n')}\n}\n`;
}

/** The value of a token's custom property as emitted. */
export function tokenCssValue(token: Token): string {
  return token.alias === undefined ? token.css! : `var(${customProperty(token.alias)})`;
}

/** Custom properties whose emitted value differs between two brands; `undefined` for one that is gone. */
export function changedProperties(before: Brand, after: Brand): Map<string, string | undefined> {
  const changed = new Map<string, string | undefined>();
  if (before === after) return changed;
  const old = tokenTable(before);
  const now = tokenTable(after);
  for (const [path, token] of now) {
    const was = old.get(path);
    if (was !== token && (!was || was.alias !== token.alias || was.css !== token.css))
      changed.set(customProperty(path), tokenCssValue(token));
  }
  for (const path of old.keys()) if (!now.has(path)) changed.set(customProperty(path), undefined);
  return changed;
}

import { customProperties, namedProperty } from '../css/index.ts';
import { customProperty, presentProperties, tokenCssValue, type Token, type TokenTable } from '../style/index.ts';

/** A token table with the values that a `tokens.css` has for its tokens; the same table when they are all equal. */
export function tableFromCss(table: TokenTable, css: string): TokenTable {
  const values = customProperties(presentProperties(css));
  const byProperty = new Map([...table.keys()].map((path) => [customProperty(path), path]));
  const next = new Map(table);
  let edited = false;
  for (const [property, value] of values) {
    const path = byProperty.get(property);
    const token = path && table.get(path);
    if (!token || tokenCssValue(token) === value) continue;
    const alias = namedProperty(value);
    const { alias: _alias, css: _css, ...rest } = token;
    next.set(
      token.path,
      (alias && byProperty.has(alias)
        ? { ...rest, alias: byProperty.get(alias)! }
        : { ...rest, css: value }) satisfies Token,
    );
    edited = true;
  }
  return edited ? next : table;
}

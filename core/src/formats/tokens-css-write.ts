import { isWholeValue, type Brand } from '../site/index.ts';
import { customProperty, tokenTable, tokensCss } from '../style/index.ts';

/** Returns true if something kept for other tools is a custom property, not a DTCG token. */
export const isKeptProperty = (path: string): boolean => path.startsWith('--');

/**
 * `tokens.css` as it goes out: the brand's tokens, and behind them the custom
 * properties of other tools' sheets that are kept, unless a token has the name.
 */
export function writeTokensCss(brand: Brand): string {
  const own = new Set([...tokenTable(brand).keys()].map(customProperty));
  const kept = Object.entries(brand.kept ?? {}).flatMap(([path, json]) => {
    const value: unknown = isKeptProperty(path) && !own.has(path) ? JSON.parse(json) : undefined;
    // Text that could end the sheet or the rule, or swallow the following text, is not a property value.
    return typeof value === 'string' && isWholeValue(value) ? [`  ${path}: ${value};`] : [];
  });
  return `${tokensCss(brand)}${kept.length > 0 ? `\n/* Kept from other tools */\n:root {\n${kept.join('\n')}\n}\n` : ''}`;
}

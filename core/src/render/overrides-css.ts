import { literalCss, type Override, type Site } from '../site/index.ts';
import { bandQuery } from '../shape/index.ts';
import { customProperty } from '../style/index.ts';

/** CSS of one override's value: of a literal what was understood of it, never what was typed. */
export function overrideCss(override: Override): string {
  return override.value.kind === 'token' ? `var(${customProperty(override.value.path)})` : (literalCss(override.property, override.value.css) ?? 'unset');
}

/** Values set on single places, in the last layer: those at all widths first, then those at one band. */
export function overridesCss(site: Site): string {
  const all = [...Object.values(site.shared.overrides), ...site.pageOrder.flatMap((id) => Object.values(site.pages[id]!.overrides))];
  const rule = (one: Override) => `[data-place="${one.place}"] { ${one.property}: ${overrideCss(one)}; }`;
  const lines = [
    ...all.filter((one) => one.band === null).map(rule),
    ...all.filter((one) => one.band !== null).map((one) => `@media ${bandQuery(one.band!)} { ${rule(one)} }`),
  ];
  return lines.length === 0 ? '' : `@layer overrides {\n${lines.join('\n')}\n}\n`;
}

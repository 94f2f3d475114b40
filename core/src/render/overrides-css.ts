import { literalCss, type Override, type Site } from '../site/index.ts';
import { bandQuery } from '../breakpoint/index.ts';
import { customProperty } from '../style/index.ts';

/** CSS of one override's value: of a literal what was understood of it, never what was typed. */
export function overrideCss(override: Override): string {
  return override.value.kind === 'token'
    ? `var(${customProperty(override.value.path)})`
    : (literalCss(override.property, override.value.css) ?? 'unset');
}

/**
 * Values set on single places, in the last layer. A value set here has a selector
 * of its page, which weighs more than that of a value set wherever a place is
 * used; of either those at one band stand behind those at all widths.
 */
export function overridesCss(site: Site): string {
  const used = Object.values(site.shared.overrides).map((override) => ({
    override,
    selector: `[data-${override.place.includes(':') ? 'used' : 'place'}="${override.place}"]`,
  }));
  const here = site.pageOrder.flatMap((page) =>
    Object.values(site.pages[page]!.overrides).map((override) => ({
      override,
      selector: `:root[data-page="${page}"] [data-place="${override.place}"]`,
    })),
  );
  const rule = ({ override, selector }: (typeof used)[number]) =>
    `${selector} { ${override.property}: ${overrideCss(override)}; }`;
  const all = [...used, ...here];
  const lines = [
    ...all.filter(({ override }) => override.band === null).map(rule),
    ...all
      .filter(({ override }) => override.band !== null)
      .map((entry) => `@media ${bandQuery(entry.override.band!)} { ${rule(entry)} }`),
  ];
  return lines.length === 0 ? '' : `@layer overrides {\n${lines.join('\n')}\n}\n`;
}

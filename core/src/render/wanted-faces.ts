import { pageTree, publishedPages } from '../page/index.ts';
import type { Site } from '../site/index.ts';
import type { WantedFace } from '../type/index.ts';
import type { ElementContent } from 'hast';

/**
 * The weights and slants that text on the pages asks of a family: those of the
 * styles in it, and what strong words and emphasis make of them. All styles are
 * counted, used or not: the specimen shows each.
 */
export function wantedFaces(site: Site, family: string): WantedFace[] {
  const wanted = new Map<string, WantedFace>();
  const add = (weight: number, italic: boolean) => wanted.set(`${weight} ${italic}`, { weight, italic });
  const runs = new Map<string, { strong: boolean; em: boolean }>();
  for (const { id } of publishedPages(site))
    for (const part of pageTree(site, id).parts) markedRuns(part.element, null, runs);
  for (const style of Object.values(site.brand.styles)) {
    if (site.brand.families[style.family] !== family) continue;
    add(style.weight, style.italic);
    const marks = runs.get(style.id);
    // CSS Fonts Level 4, section 2.4.1: `bolder` is 400 up to 350, 700 up to 550, then 900.
    if (marks?.strong) add(style.weight < 350 ? 400 : style.weight < 550 ? 700 : 900, style.italic);
    if (marks?.em) add(style.weight, true);
  }
  return [...wanted.values()];
}

function markedRuns(
  node: ElementContent,
  style: string | null,
  runs: Map<string, { strong: boolean; em: boolean }>,
): void {
  if (node.type !== 'element') return;
  const own = /(?:^| )text--([^ ]+)/.exec(String(node.properties['className'] ?? ''))?.[1] ?? style;
  if (own && (node.tagName === 'strong' || node.tagName === 'em')) {
    const known = runs.get(own) ?? { strong: false, em: false };
    runs.set(own, { strong: known.strong || node.tagName === 'strong', em: known.em || node.tagName === 'em' });
  }
  for (const child of node.children) markedRuns(child, own, runs);
}

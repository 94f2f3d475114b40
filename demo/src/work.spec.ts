import {
  acceptChange,
  compareAudits,
  auditSite,
  parseColor,
  ripple,
  setSwatchColor,
  setValue,
  siteIndex,
  work,
  type Site,
} from '@yohaku/core';
import { manyPlaces, ternhaven } from './index.ts';

/** Returns the counts of work during a task. */
function counted(act: () => unknown): typeof work {
  const before = { ...work };
  act();
  return { trees: work.trees - before.trees, parts: work.parts - before.parts, shapes: work.shapes - before.shapes };
}
const unseen = (pages: number): Site => manyPlaces(structuredClone(ternhaven), pages);

describe('counted work', () => {
  it('builds one page and one part for each shape to find the looks of a new site of any size', () => {
    const [few, many] = [unseen(45), unseen(450)].map((site) => counted(() => siteIndex(site).groups));
    expect(few!.trees).toBeLessThanOrEqual(1);
    expect(many!.trees).toBeLessThanOrEqual(1);
    expect(many!.parts).toBe(few!.parts);
    // Each block is read once: ten times the pages have about ten times the blocks.
    expect(many!.shapes).toBeLessThanOrEqual(10 * few!.shapes);
  });
  it('builds nothing for an edit of a colour, and only the changed parts for an edit of words', () => {
    const site = unseen(200);
    const audit = auditSite(site);
    const swatch = Object.values(site.brand.swatches).find(({ label }) => label === 'Funnel')!.id;
    const painted = acceptChange(site, setSwatchColor(site, swatch, parseColor('#b02a1e')!)).site;
    expect(counted(() => compareAudits(audit, auditSite(painted, audit)).places)).toEqual({
      trees: 0,
      parts: 0,
      shapes: 0,
    });
    // A list of changed places builds only the pages of those places.
    const pages = new Set(ripple(site, painted).changed.map(({ page }) => page)).size;
    expect(
      counted(() => ripple(site, acceptChange(site, setSwatchColor(site, swatch, parseColor('#b02a2e')!)).site)).trees,
    ).toBeLessThanOrEqual(pages);
    const [page] = site.pageOrder.slice(-1);
    const entry = Object.values(site.pages[page!]!.sections).find(
      (candidate) => 'own' in candidate && Object.values(candidate.own.blocks).some(({ kind }) => kind === 'text'),
    )!;
    const section = 'own' in entry ? entry.own : undefined;
    const block = Object.values(section!.blocks).find(({ kind }) => kind === 'text')!;
    const written = acceptChange(
      site,
      setValue(
        site,
        '',
        ['pages', page!, 'sections', entry.id, 'own', 'blocks', block.id, 'content'],
        [{ text: 'Other words' }],
      ),
    ).site;
    const did = counted(() => siteIndex(written).groups);
    expect(did.trees).toBeLessThanOrEqual(1);
    // Lists of items and menus depend on other parts of the site, so their sections are read again.
    const open = Object.values(site.pages)
      .flatMap(({ sections }) => Object.values(sections))
      .flatMap((candidate) => ('own' in candidate ? Object.values(candidate.own.blocks) : []))
      .filter(({ kind }) => kind === 'items' || kind === 'menu').length;
    expect(did.shapes).toBeLessThanOrEqual(Object.keys(section!.blocks).length + open);
  });
});

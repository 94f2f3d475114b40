import { acceptChange, compareAudits, auditSite, parseColor, ripple, setSwatchColor, setValue, siteIndex, work, type Site } from '@yohaku/core';
import { manyPlaces, ternhaven } from './index.ts';

/** What was worked out while something was done. */
function counted(act: () => unknown): typeof work {
  const before = { ...work };
  act();
  return { trees: work.trees - before.trees, parts: work.parts - before.parts, shapes: work.shapes - before.shapes };
}
const unseen = (pages: number): Site => manyPlaces(structuredClone(ternhaven), pages);

describe('how much is worked out, counted instead of timed', () => {
  it('to find the looks of a site that nobody has seen takes one page apart, and one part for each shape, however many pages there are', () => {
    const [few, many] = [unseen(45), unseen(450)].map((site) => counted(() => siteIndex(site).groups));
    expect(few!.trees).toBeLessThanOrEqual(1);
    expect(many!.trees).toBeLessThanOrEqual(1);
    expect(many!.parts).toBe(few!.parts);
    // Every block is looked at once: ten times the pages have about ten times the blocks.
    expect(many!.shapes).toBeLessThanOrEqual(10 * few!.shapes);
  });
  it('an edit of a colour works out nothing anew, one of words only what it touched', () => {
    const site = unseen(200);
    const audit = auditSite(site);
    const swatch = Object.values(site.brand.swatches).find(({ label }) => label === 'Funnel')!.id;
    const painted = acceptChange(site, setSwatchColor(site, swatch, parseColor('#b02a1e')!)).site;
    expect(counted(() => compareAudits(audit, auditSite(painted, audit)).places)).toEqual({ trees: 0, parts: 0, shapes: 0 });
    // To list the places that changed takes the pages apart on which they are, and no other.
    const pages = new Set(ripple(site, painted).changed.map(({ page }) => page)).size;
    expect(counted(() => ripple(site, acceptChange(site, setSwatchColor(site, swatch, parseColor('#b02a2e')!)).site)).trees).toBeLessThanOrEqual(pages);
    const [page] = site.pageOrder.slice(-1);
    const entry = Object.values(site.pages[page!]!.sections).find((one) => 'own' in one && Object.values(one.own.blocks).some(({ kind }) => kind === 'text'))!;
    const section = 'own' in entry ? entry.own : undefined;
    const block = Object.values(section!.blocks).find(({ kind }) => kind === 'text')!;
    const written = acceptChange(site, setValue(site, '', ['pages', page!, 'sections', entry.id, 'own', 'blocks', block.id, 'content'], [{ text: 'Other words' }])).site;
    const did = counted(() => siteIndex(written).groups);
    expect(did.trees).toBeLessThanOrEqual(1);
    // Lists of items and menus hang on more than themselves: their sections are looked at again.
    const open = Object.values(site.pages).flatMap(({ sections }) => Object.values(sections)).flatMap((one) => ('own' in one ? Object.values(one.own.blocks) : [])).filter(({ kind }) => kind === 'items' || kind === 'menu').length;
    expect(did.shapes).toBeLessThanOrEqual(Object.keys(section!.blocks).length + open);
  });
});

import fc from 'fast-check';
import { newSite } from '../begin/index.ts';
import {
  addCollection,
  addField,
  addItem,
  addListSection,
  addPage,
  addSection,
  pageOfItems,
  setRole,
  setSwatchColor,
  setValue,
} from '../change/index.ts';
import { parseColor } from '../color/index.ts';
import { publishedPage, publishedPages } from '../page/index.ts';
import { placeCount, reachRows, ripple, siteIndex, tokensThrough, usesOfTokens } from '../reach/index.ts';
import { SECTION_KINDS } from '../sections/index.ts';
import type { Site } from '../site/index.ts';
import { swatchPath, tokenTable } from '../style/index.ts';
import { placesChosenAnew } from './index.ts';
import { edited } from '../testing/edited.ts';

/**
 * Returns a site with a form, a list on several pages, and item pages that show different fields, in generated colours.
 */
function bindery(colors: readonly string[], items: readonly boolean[]): Site {
  const begun = newSite({
    id: 'bindery',
    name: 'Halm & Faden',
    language: 'de',
    colors: colors.map((color) => parseColor(color)!),
  });
  const filled = edited(
    begun,
    (now) => addSection(now, 'home', 'write', undefined, SECTION_KINDS.form),
    (now) => addCollection(now, 'papers', 'Papers'),
    (now) => addField(now, 'papers', 'weight', 'Weight', 'rich'),
    ...items.map(
      (weighed, i) => (now: Site) =>
        addItem(now, 'papers', `p${i}`, {
          name: `Paper ${i}`,
          ...(weighed ? { weight: `${80 + i} g, [more](https://papers.example)` } : {}),
        }),
    ),
    (now) => addListSection(now, 'home', 'papers', 'list'),
    (now) => setValue(now, '', ['pages', 'home', 'sections', 'list', 'own', 'blocks', 'list-list', 'limit'], 2),
    (now) => setValue(now, '', ['pages', 'home', 'sections', 'list', 'own', 'blocks', 'list-list', 'paged'], true),
    (now) => addPage(now, 'paper', null),
    (now) => addSection(now, 'paper', 'one', undefined, SECTION_KINDS.cards),
    (now) => pageOfItems(now, 'papers', 'paper'),
  );
  const words = Object.values(filled.pages['paper']!.sections)
    .flatMap((entry) =>
      'own' in entry ? Object.values(entry.own.blocks).map((block) => ({ entry: entry.id, block })) : [],
    )
    .find(({ block }) => block.kind === 'text' && block.level === null)!;
  return edited(filled, (now) =>
    setValue(
      now,
      '',
      ['pages', 'paper', 'sections', words.entry, 'own', 'blocks', words.block.id, 'content'],
      [{ text: 'Weighs {Weight}' }],
    ),
  );
}

const colors = fc.array(
  fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`),
  { minLength: 1, maxLength: 4 },
);

describe('one figure of use', () => {
  it('gives one number for every swatch and role of generated brands: the count, the rows of reach, and the places that an edit changes', () => {
    fc.assert(
      fc.property(colors, fc.array(fc.boolean(), { minLength: 3, maxLength: 6 }), (given, items) => {
        const site = bindery(given, items);
        const table = tokenTable(site.brand);
        const index = siteIndex(site);
        for (const { id } of Object.values(site.brand.swatches).filter((swatch) => !swatch.rule)) {
          const path = swatchPath(site.brand.swatches[id]!);
          const color = parseColor(
            site.brand.swatches[id]!.color.h > 180 ? 'oklch(0.55 0.09 60)' : 'oklch(0.45 0.09 240)',
          )!;
          const now = edited(site, (before) => setSwatchColor(before, id, color));
          const { changed } = ripple(site, now);
          const { count, maybe } = usesOfTokens(site, path);
          const anew = placesChosenAnew(site, now, changed);
          expect(index.countOf(changed) - index.countOf(anew))
            .withContext(path)
            .toBe(count);
          expect(index.countOf(anew)).withContext(`${path} announced`).toBeLessThanOrEqual(maybe);
          expect(placeCount(site, path)).toBe(count);
        }
        for (const path of table.keys()) {
          const rows = new Set(reachRows(site, path).map(({ place, file }) => `${file} ${place.id}`)).size;
          const through = tokensThrough(table, path);
          const itself = index.groups
            .filter((group) =>
              group.painting.cells.some((cell) => !cell.override && cell.token !== null && through.has(cell.token)),
            )
            .reduce((sum, { count }) => sum + count, 0);
          expect(rows).withContext(path).toBe(itself);
        }
        for (const ground of site.brand.groundOrder)
          for (const role of ['background', 'link', 'heading', 'button-main-fill-rest']) {
            const path = [...table.values()].find(
              ({ address }) => address?.join() === ['brand', 'grounds', ground, 'roles', role].join(),
            )!.path;
            const now = edited(site, (before) => setRole(before, ground, role, { kind: 'raw', color: '#00a3c7' }));
            const { changed } = ripple(site, now);
            expect(index.countOf(changed) - index.countOf(placesChosenAnew(site, now, changed)))
              .withContext(`${path} ${given.join()}`)
              .toBe(placeCount(site, path));
          }
      }),
      { numRuns: 6 },
    );
  });

  it('counts items with one look as a group', () => {
    const site = bindery(['#7a2e1d'], [true, true, false, true, false]);
    const looks = publishedPages(site).filter(({ kind }) => kind === 'item');
    expect(looks.map(({ files }) => files.length)).toEqual([3, 2]);
    const [full, bare] = looks;
    expect(siteIndex(site).tree(full!.id)!.places.length).toBe(siteIndex(site).tree(bare!.id)!.places.length + 1);
    expect(publishedPage(site, full!.id)!.files).toEqual([
      'papers-paper-0.html',
      'papers-paper-1.html',
      'papers-paper-3.html',
    ]);
    // An item with fewer values moves to the other look, and the counts follow.
    const less = edited(site, (now) => setValue(now, '', ['items', 'p1', 'values'], { name: 'Paper 1' }));
    expect(siteIndex(less).count).toBe(siteIndex(site).count - 1);
  });

  it('counts pages after forms, further list pages and the page for unknown addresses', () => {
    const site = bindery(['#7a2e1d'], [true, false, true]);
    expect(publishedPages(site).map(({ kind }) => kind)).toEqual(['page', 'list', 'item', 'item', 'answer', 'missing']);
    const files = new Set(reachRows(site, 'text.body.size').map(({ file }) => file));
    expect([...files].sort()).toEqual(
      [
        '404.html',
        ...publishedPages(site)
          .filter(({ kind }) => kind === 'answer')
          .flatMap((page) => page.files),
        'index.html',
        'index-page-2.html',
        'papers-paper-0.html',
        'papers-paper-1.html',
        'papers-paper-2.html',
      ].sort(),
    );
  });
});

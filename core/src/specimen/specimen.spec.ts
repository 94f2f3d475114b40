import { applyChange, addStyle, addOverride } from '../change/index.ts';
import { anchorOf } from '../page/index.ts';
import { siteIndex } from '../reach/index.ts';
import { recipeClass, swatchPath, tokenTable } from '../style/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { leftOut, specimenHtml, specimenParts } from './index.ts';

describe('the specimen', () => {
  const site = smallSite();
  const html = specimenHtml(site);

  it('shows every swatch with its values, every background, every style, and buttons in every state and size', () => {
    for (const { label } of [
      ...Object.values(site.brand.swatches),
      ...Object.values(site.brand.grounds),
      ...Object.values(site.brand.styles),
    ])
      expect(html).toContain(label);
    expect(html).toContain('#b83a1e');
    expect(html).toContain('follows brand');
    for (const state of ['hover', 'focus', 'pressed', 'disabled']) expect(html).toContain(`data-show="${state}"`);
    for (const size of Object.values(site.brand.sizes)) expect(html).toContain(`bsize--${size.id}`);
  });
  it('names only tokens that there are, and paints with no value of its own', () => {
    const table = tokenTable(site.brand);
    const named = [...html.matchAll(/data-token="([^"]+)"/g)].map((match) => match[1]!);
    expect(named.length).toBeGreaterThan(30);
    for (const path of named) expect(table.has(path)).withContext(path).toBeTrue();
    expect(named).toContain(swatchPath(site.brand.swatches['brand']!));
    for (const [, style] of html.matchAll(/ style="([^"]+)"/g)) expect(style).toMatch(/^(background|height): var\(--/);
  });
  it('follows what is added', () => {
    const more = applyChange(site, addStyle(site, 'running', 'pull', 'Pull quote')).site;
    expect(specimenHtml(more)).toContain('Pull quote');
  });
  it('misses nothing that the pages use: each recipe stands on it or in the list at its end', () => {
    const parts = specimenParts(site);
    const left = leftOut(site, parts.slice(0, -1));
    const listed = left.map((entry) => entry.label).join('\n');
    for (const group of siteIndex(site).groups)
      for (const recipe of group.painting.recipes) {
        const space = site.brand.spaces[recipe.split(':')[1]!];
        // Spaces are drawn to scale.
        if (html.includes(recipeClass(recipe)) || (space && html.includes(`data-token="space.${space.path}.phone"`)))
          continue;
        expect(listed).withContext(recipe).toContain(`${group.kind}, `);
      }
    const [place] = siteIndex(site).groups.find((group) => group.kind === 'button')!.places;
    const held = applyChange(
      site,
      addOverride(
        site,
        anchorOf(place!, 'here'),
        {
          id: 'o1',
          property: 'border-radius',
          band: null,
          origin: 'set',
          value: { kind: 'literal', css: '30px' },
          reason: null,
        },
        'Button',
      ),
    ).site;
    expect(leftOut(held, specimenParts(held).slice(0, -1)).map((entry) => entry.label)).toContain(
      'border-radius 30px, set on a place',
    );
  });
});

import { readSite } from '../document/index.ts';
import { applyChange, setSwatchColor, setValue } from '../change/index.ts';
import { parseColor } from '../color/index.ts';
import { changedProperties, tokenTable, tokensCss, customProperty } from '../style/index.ts';
import { pageTree } from '../page/index.ts';
import { smallSite, literal } from '../testing/small-site.ts';
import { bodyParts, pageHtml, stylesCss } from './index.ts';

const site = readSite(smallSite([literal('o1', 'h/text', 'color', '#123456', { band: 'phone' })]));

describe('renderer', () => {
  it('marks every place of the model once in the page, and nothing else', () => {
    for (const id of site.pageOrder) {
      const marked = [...pageHtml(site, id).matchAll(/data-place="([^"]+)"/g)].map((match) => match[1]!);
      expect(marked.sort()).toEqual(
        pageTree(site, id)
          .places.map((place) => place.id)
          .sort(),
      );
      expect(new Set(marked).size).toBe(marked.length);
    }
  });
  it('has landmarks, one main, headings by level, the language, and no script', () => {
    const html = pageHtml(site, 'home');
    for (const part of [
      '<html lang="en" data-page="home">',
      '<header',
      '<nav aria-label="Main">',
      '<main',
      '<footer',
      '<h1',
      '<h2',
    ])
      expect(html).toContain(part);
    expect(html).not.toMatch(/<script|javascript:| on[a-z]+=/i);
    expect(html.match(/<main/g)!.length).toBe(1);
  });
  it('escapes what is written', () => {
    const nasty = applyChange(
      site,
      setValue(
        site,
        '',
        ['pages', 'home', 'sections', 's1', 'own', 'blocks', 'h', 'content'],
        [{ text: '<img src=x onerror=alert(1)>' }],
      ),
    ).site;
    expect(pageHtml(nasty, 'home')).not.toContain('<img src=x');
  });
  it('writes custom properties only into tokens.css, one line a token, unique after joining', () => {
    const lines = tokensCss(site.brand).trim().split('\n').slice(1, -1);
    expect(lines.every((line) => /^  --[a-z0-9-]+: [^;]+;$/.test(line))).toBeTrue();
    expect(lines.length).toBe(tokenTable(site.brand).size);
    expect(new Set(lines.map((line) => line.split(':')[0])).size).toBe(lines.length);
  });
  it('emits an edit of one swatch as one line, its derived ones beside it', () => {
    const after = applyChange(site, setSwatchColor(site, 'brand', parseColor('#336699')!)).site;
    expect(
      [...changedProperties(site.brand, after.brand)].filter(([property]) => property.startsWith('--color')),
    ).toEqual([['--color-core-brand', '#336699'], ['--color-derived-dark', jasmine.any(String)] as never]);
    expect(stylesCss(after)).toBe(stylesCss(site));
  });
  it('keeps literals in the last layer, keyed by place', () => {
    const css = stylesCss(site);
    expect(css.indexOf('@layer overrides {')).toBeGreaterThan(css.indexOf('@layer looks {'));
    expect(css).toContain(':root[data-page="home"] [data-place="h/text"] { color: #123456; }');
    expect(css).toContain('@media (width <= 639px) { :root[data-page="home"] [data-place="h/text"]');
  });
  it('has a twin of every state for the desk', () => {
    const css = stylesCss(site);
    for (const state of ['hover', 'focus', 'pressed', 'disabled']) expect(css).toContain(`[data-show="${state}"]`);
  });
  it('writes again only the parts that changed', () => {
    const before = bodyParts(site, 'home');
    const after = applyChange(
      site,
      setValue(site, '', ['pages', 'home', 'sections', 's1', 'own', 'blocks', 'h', 'content'], [{ text: 'Changed' }]),
    ).site;
    const changed = bodyParts(after, 'home').filter((part, i) => part.html !== before[i]!.html);
    expect(changed.map((part) => part.id)).toEqual(['s1']);
    expect(bodyParts(after, 'more').map((part) => part.html)).toEqual(bodyParts(site, 'more').map((part) => part.html));
  });
  it('uses only token references in recipes', () => {
    const recipes = /@layer looks \{([\s\S]*?)\n\}\n(?:@layer|$)/.exec(stylesCss(site))![1]!;
    const values = [...recipes.matchAll(/[a-z-]+: ([^;{}]+);/g)].map((match) => match[1]!);
    expect(values.length).toBeGreaterThan(50);
    const known = new Set([...tokenTable(site.brand).keys()].map((path) => `var(${customProperty(path)})`));
    for (const value of values) expect(known.has(value)).withContext(value).toBeTrue();
  });
});

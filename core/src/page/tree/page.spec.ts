import { applyChange, setValue } from '../../change/index.ts';
import { readSite } from '../../document/index.ts';
import { parseColor } from '../../color/index.ts';
import { setSwatchColor } from '../../change/index.ts';
import { smallSite } from '../../testing/small-site.ts';
import { plainText, type Href } from '../../kinds/index.ts';
import { assetFile, hrefFrom, hrefOf, hrefText, linkOffers, pageTree } from '../index.ts';

const site = readSite(smallSite());
const place = (page: string, id: string, of = site) => pageTree(of, page).places.find((entry) => entry.id === id)!;

describe('page tree', () => {
  it('has header, sections in order and footer as its parts, and says which are shared', () => {
    expect(pageTree(site, 'home').parts.map((part) => [part.id, part.shared])).toEqual([
      ['header', true],
      ['s1', false],
      ['s2', true],
      ['footer', true],
    ]);
  });
  it('gives each place its kind, states, background and what it stands on', () => {
    expect(place('home', 'k/k1')).toEqual(
      jasmine.objectContaining({
        kind: 'button',
        label: 'Button “Go”',
        states: ['rest', 'hover', 'focus', 'pressed'],
        ground: 'pale',
        section: 's1',
      }) as never,
    );
    expect(place('home', 'k/k1').under!.id).toBe('s1/surface');
    expect(place('more', 'tc/a/text').under!.id).toBe('tc/a/surface');
    expect(place('more', 'tc/a/surface').under!.id).toBe('t1/surface');
    expect(place('home', 'page/surface').under).toBeNull();
  });
  it('keeps what a text looks like apart from its level', () => {
    const quiet = applyChange(
      site,
      setValue(site, '', ['pages', 'home', 'sections', 's1', 'own', 'blocks', 'h', 'style'], 'running'),
    ).site;
    expect(place('home', 'h/text', quiet)).toEqual(jasmine.objectContaining({ level: 1, style: 'running' }) as never);
    const plain = applyChange(
      site,
      setValue(site, '', ['pages', 'home', 'sections', 's1', 'own', 'blocks', 'h', 'level'], null),
    ).site;
    expect(place('home', 'h/text', plain)).toEqual(jasmine.objectContaining({ level: null, style: 'title' }) as never);
  });
  it('knows where the words of a place are kept, and of a link whose paragraph it is', () => {
    expect(place('home', 'h/text').words).toEqual(['pages', 'home', 'sections', 's1', 'own', 'blocks', 'h', 'content']);
    expect(place('home', 's2:c1/text').words).toEqual(['shared', 'sections', 'common', 'blocks', 'c1', 'content']);
    expect(place('home', 'p/l1').inherits!.id).toBe('p/text');
    expect(place('home', 'p/l1').inline).toBeTrue();
  });
  it('is the very same tree while only token values change, and a new one where structure does', () => {
    const values = applyChange(site, setSwatchColor(site, 'brand', parseColor('#123456')!)).site;
    expect(pageTree(values, 'home')).toBe(pageTree(site, 'home'));
    const words = applyChange(site, setValue(site, '', ['pages', 'home', 'title'], 'Start')).site;
    expect(pageTree(words, 'home')).not.toBe(pageTree(site, 'home'));
    expect(pageTree(words, 'more')).toBe(pageTree(site, 'more'));
  });
  it('marks what stands over a picture', () => {
    const asset = { id: 'sea', name: 'Sea', hash: 'a'.repeat(64), type: 'image/png' as const, width: 4, height: 4 };
    const pictured = applyChange(
      { ...site, assets: { sea: asset } },
      setValue(site, '', ['pages', 'more', 'sections', 't1', 'own', 'picture'], { asset: 'sea', shade: 0.4 }),
    ).site;
    expect(place('more', 'th/text', pictured).overPicture).toBeTrue();
    expect(place('more', 'tc/a/surface', pictured).overPicture).toBeTrue();
    // The card's own fill is opaque: its words stand on that.
    expect(place('more', 'tc/a/text', pictured).overPicture).toBeFalse();
    expect(place('more', 't1/shade', pictured).kind).toBe('surface');
    expect(assetFile(asset, { swatches: {} })).toBe('images/sea-aaaaaaaaaa.png');
  });
  it('leads links to files, addresses and, for a page that is gone, nowhere', () => {
    expect([
      hrefOf(site, { to: 'page', page: 'more' }),
      hrefOf(site, { to: 'url', url: 'mailto:a@b.example' }),
      hrefOf(site, { to: 'page', page: 'gone' }),
    ]).toEqual(['more.html', 'mailto:a@b.example', '#']);
  });
  it('shortens labels for lists and keeps the words whole', () => {
    const long = 'A heading that is far too long to stand in any list of places';
    const named = applyChange(
      site,
      setValue(site, '', ['pages', 'home', 'sections', 's1', 'own', 'blocks', 'h', 'content'], [{ text: long }]),
    ).site;
    expect(place('home', 'h/text', named).label.length).toBeLessThan(60);
    expect(plainText([{ text: 'a ' }, { text: 'b', mark: 'strong' }])).toBe('a b');
  });
});

describe('where a link leads, as it is typed', () => {
  let site = smallSite();
  beforeEach(() => {
    site = smallSite();
    site.pages['more']!.sections['t1']!.anchor = 'hours';
  });
  const read = (text: string) => hrefFrom(site, text);
  it('is a page by its title or address, and a section there by its anchor', () => {
    expect(linkOffers(site)).toEqual(['Home', 'More', 'More › hours']);
    for (const text of ['more', 'MORE', 'more.html']) expect(read(text)).toEqual({ to: 'page', page: 'more' });
    for (const text of ['More › hours', 'more.html#hours'])
      expect(read(text)).toEqual({ to: 'page', page: 'more', anchor: 'hours' });
    expect(hrefOf(site, read('More › hours') as Href)).toBe('more.html#hours');
    expect(read('More › prices')).toBe('“More” has no section with the anchor “prices”; it has hours.');
  });
  it('is mail, a telephone number or an address elsewhere by how it looks, and a sentence where it is none', () => {
    const url = (text: string) => (read(text) as { url: string }).url;
    expect(
      ['a@b.example', '0555 0142', '+49 (555) 01-42', 'www.b.example/x?y', 'https://b.example', '#top'].map(url),
    ).toEqual([
      'mailto:a@b.example',
      'tel:05550142',
      'tel:+495550142',
      'https://www.b.example/x?y',
      'https://b.example',
      '#top',
    ]);
    for (const text of ['', 'nowhere at all', 'javascript:alert(1)', 'gone.html'])
      expect(typeof read(text))
        .withContext(text)
        .toBe('string');
  });
  it('reads again what it shows', () => {
    for (const href of [
      { to: 'page', page: 'more' },
      { to: 'page', page: 'more', anchor: 'hours' },
      { to: 'url', url: 'mailto:a@b.example' },
      { to: 'url', url: 'tel:+495550142' },
      { to: 'url', url: 'https://b.example/' },
    ] as Href[])
      expect(read(hrefText(site, href))).toEqual(href);
    site = { ...site, pages: { ...site.pages, more: { ...site.pages['more']!, title: 'Home' } } };
    expect(read(hrefText(site, { to: 'page', page: 'more' }))).toEqual({ to: 'page', page: 'more' });
  });
});

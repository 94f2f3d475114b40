import { pageTree, type Site } from '@yohaku/core';
import { small } from '../testing/small.ts';
import { pageSource } from './frame-source.ts';
import { FramePainter } from './frame-painter.ts';
import { lostWords } from './lost-words.ts';
import { readTextSpacing } from './text-spacing.ts';

describe('text spaced out', () => {
  let frame: HTMLIFrameElement;
  beforeEach(() => {
    frame = document.createElement('iframe');
    frame.style.cssText = 'width:390px;height:900px;border:0';
    document.body.append(frame);
  });
  afterEach(() => frame.remove());
  const paint = (site: Site): Document => {
    new FramePainter(frame.contentDocument!, pageSource('home')).paint(site);
    return frame.contentDocument!;
  };

  it('loses no words of a page that breaks its lines, and leaves the page as it was', () => {
    const site = small();
    const page = paint(site);
    const before = page.documentElement.outerHTML;
    const height = page.body.getBoundingClientRect().height;
    expect(readTextSpacing(page, site, 'home', 390)).toEqual([]);
    expect(page.documentElement.outerHTML).toBe(before);
    expect(page.body.getBoundingClientRect().height).toBe(height);
  });
  it('tells which words are lost when they are spaced out, though they fit as they are set', () => {
    const site = small();
    const page = paint(site);
    const heading = page.querySelector<HTMLElement>('[data-place="h/text"]')!;
    heading.style.cssText = 'white-space:nowrap;overflow:hidden;font-size:16px';
    heading.textContent = 'Ferries between all islands';
    heading.style.width = `${Math.ceil(textWidth(page, heading)) + 4}px`;
    const places = new Map(pageTree(site, 'home').places.map((place) => [place.id, place]));
    expect(lostWords(page, places)).toEqual([]);
    const [lost, ...others] = readTextSpacing(page, site, 'home', 390);
    expect(others).toEqual([]);
    expect([lost!.place, lost!.width, lost!.rule]).toEqual(['h/text', 390, 'text-spacing']);
    // 27 letters by 0.12 and three spaces by 0.16 of the size, less the four px that were left.
    expect(Math.abs(lost!.found - (27 * 0.12 * 16 + 3 * 0.16 * 16 - 4))).toBeLessThan(3);
  });
  it('is read again when the layout has something else to go by, and not for a colour', () => {
    const site = small();
    const page = paint(site);
    expect(readTextSpacing(page, site, 'home', 390)).toEqual([]);
    const heading = page.querySelector<HTMLElement>('[data-place="h/text"]')!;
    heading.style.cssText = 'white-space:nowrap;width:600px';
    const recoloured = { ...site, brand: { ...site.brand, swatches: { ...site.brand.swatches } } };
    expect(readTextSpacing(page, recoloured, 'home', 390)).toEqual([]);
    const respaced = { ...site, brand: { ...site.brand, spaces: { ...site.brand.spaces } } };
    expect(readTextSpacing(page, respaced, 'home', 390).map((one) => one.place)).toEqual(['h/text']);
  });
});

function textWidth(document: Document, element: Element): number {
  const range = document.createRange();
  range.selectNodeContents(element);
  return range.getBoundingClientRect().width;
}

import { pageTree, type Site } from '@yohaku/core';
import { small } from '../../testing/small.ts';
import { pageSource } from '../paint/frame-source.ts';
import { FramePainter } from '../paint/frame-painter.ts';
import { lostWords } from './lost-words.ts';
import { SPACED_OUT, readTextSpacing } from './text-spacing.ts';

describe('text spaced out', () => {
  let frame: HTMLIFrameElement;
  beforeEach(() => {
    frame = document.createElement('iframe');
    frame.style.cssText = 'width:390px;height:900px;border:0';
    document.body.append(frame);
  });
  afterEach(() => frame.remove());
  /** The page as it is; `space` spaces its text out. */
  const paint = (site: Site): { page: Document; space: () => void } => {
    const painter = new FramePainter(frame.contentDocument!, pageSource('home'));
    painter.paint(site);
    return { page: frame.contentDocument!, space: () => painter.onTop(SPACED_OUT) };
  };

  it('loses no words of a page that breaks its lines, though they take more room', () => {
    const site = small();
    const { page, space } = paint(site);
    const heading = page.querySelector('[data-place="h/text"]')!;
    const width = textWidth(page, heading);
    space();
    expect(textWidth(page, heading)).toBeGreaterThan(width);
    expect(readTextSpacing(page, site, 'home', 390)).toEqual([]);
  });
  it('tells which words are lost when they are spaced out, though they fit as they are set', () => {
    const site = small();
    const { page, space } = paint(site);
    const heading = page.querySelector<HTMLElement>('[data-place="h/text"]')!;
    heading.style.cssText = 'white-space:nowrap;overflow:hidden;font-size:16px';
    heading.textContent = 'Ferries between all islands';
    heading.style.width = `${Math.ceil(textWidth(page, heading)) + 4}px`;
    const places = new Map(pageTree(site, 'home').places.map((place) => [place.id, place]));
    expect(lostWords(page, places)).toEqual([]);
    space();
    const [lost, ...others] = readTextSpacing(page, site, 'home', 390);
    expect(others).toEqual([]);
    expect([lost!.place, lost!.width, lost!.rule]).toEqual(['h/text', 390, 'text-spacing']);
    // 27 letters by 0.12 and three spaces by 0.16 of the size, less the four px that were left.
    expect(Math.abs(lost!.found - (27 * 0.12 * 16 + 3 * 0.16 * 16 - 4))).toBeLessThan(3);
  });
});

function textWidth(document: Document, element: Element): number {
  const range = document.createRange();
  range.selectNodeContents(element);
  return range.getBoundingClientRect().width;
}

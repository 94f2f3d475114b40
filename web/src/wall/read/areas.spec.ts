import { small } from '../../testing/small.ts';
import { measureAreas } from './areas.ts';
import { pageSource } from '../paint/frame-source.ts';
import { FramePainter } from '../paint/frame-painter.ts';
import { slipValues } from '../slip/slip-values.ts';
import { siteIndex } from '@yohaku/core';
import { literal } from '../../testing/small.ts';

describe('painted areas', () => {
  let frame: HTMLIFrameElement;
  beforeEach(() => {
    frame = document.createElement('iframe');
    frame.style.cssText = 'width:1280px;height:900px;border:0';
    document.body.append(frame);
  });
  afterEach(() => frame.remove());

  it('add up to the page: what is filled upon a surface is taken off it', () => {
    const site = small();
    new FramePainter(frame.contentDocument!, pageSource('more')).paint(site);
    const areas = measureAreas(frame.contentDocument!, site, 'more');
    const body = frame.contentDocument!.body.getBoundingClientRect();
    const total = [...areas.values()].reduce((sum, area) => sum + area, 0);
    expect(Math.abs(total - body.width * body.height) / total).toBeLessThan(0.01);
    const card = frame.contentDocument!.querySelector('[data-place="tc/a/surface"]')!.getBoundingClientRect();
    const header = frame.contentDocument!.querySelector('header')!.getBoundingClientRect();
    // The page itself is white as well, wherever no part covers it.
    const parts = [...frame.contentDocument!.querySelectorAll('[data-part]')]
      .map((part) => part.getBoundingClientRect())
      .reduce((sum, rect) => sum + rect.width * rect.height, 0);
    const bare = body.width * body.height - parts;
    expect(areas.get('color.core.white')).toBeCloseTo(
      card.width * card.height + header.width * header.height + bare,
      -1,
    );
  });
});

describe('the slip of a place', () => {
  const site = small([
    literal('o1', 'p/text', 'color', '#232323', { origin: 'pasted' }),
    literal('o2', 'h/text', 'font-size', '30px', { band: 'phone' }),
  ]);
  const values = (id: string) => slipValues(site, siteIndex(site).byAddress.get(`home ${id}`)!);

  it('shows each value with its chain and how many places each token paints', () => {
    const color = values('k/k1').find((value) => value.property === 'background-color')!;
    expect(color.chain.map((token) => token.path)).toEqual([
      'background.pale.button.primary.fill.rest',
      'color.core.brand',
    ]);
    expect(color.chain[1]!.places).toBeGreaterThan(color.chain[0]!.places);
    expect([color.standing, color.value]).toEqual(['bound', '#b83a1e']);
  });
  it('names a stray, and the token it looks like', () => {
    const color = values('p/text').find((value) => value.property === 'color')!;
    expect([color.standing, color.nearest!.path, color.nearest!.own]).toEqual([
      'stray',
      'color.core.ink',
      true,
    ] as never);
  });
  it('shows a value that holds on phones alone, beside what the desktop has', () => {
    const size = values('h/text').find((value) => value.property === 'font-size')!;
    expect([size.standing, size.override!.band, size.value]).toEqual(['held', 'phone', '30.4, at 390 30'] as never);
  });
  it('rates a text against what is behind it, cut from the same figures as the audit', () => {
    const color = values('h/text').find((value) => value.property === 'color')!;
    expect(color.ratio!.needed).toBe(3);
    expect(color.ratio!.found).toBeGreaterThan(5);
  });
});

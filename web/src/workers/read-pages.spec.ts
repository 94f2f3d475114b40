import type { LayoutReading, PixelSet } from '@yohaku/core';
import { small } from '../testing/small.ts';
import { ReadPages } from './read-pages.ts';

describe('what has been read of the pages, where it is judged', () => {
  const line = (found: number): LayoutReading => ({
    page: 'home',
    place: 'p/text',
    width: 390,
    rule: 'line-length',
    found,
  });
  const set = (value: number): PixelSet => ({
    page: 'home',
    place: 'p/text',
    width: 390,
    area: 'lines',
    rgb: new Uint8Array([value, value, value]),
    at: new Uint16Array([1, 2]),
    problem: '',
  });
  const known = (): ReadPages => {
    const read = new ReadPages();
    read.follow(small());
    read.take(small().id, [
      { page: 'home', width: 390, layout: [line(40)] },
      { page: 'home', width: 390, pixels: [set(9)] },
    ]);
    return read;
  };

  it('is gathered sheet by sheet; what is read again and is the same changes nothing', () => {
    const read = known();
    expect([read.layout, [...read.pixels.values()]]).toEqual([[line(40)], [set(9)]]);
    const [layout, pixels, first] = [read.layout, read.pixels, [...read.pixels.values()][0]];
    expect(read.take(small().id, [{ page: 'home', width: 390, layout: [line(40)], pixels: [set(9)] }])).toBeFalse();
    expect([read.layout === layout, read.pixels === pixels]).toEqual([true, true]);
    expect(
      read.take(small().id, [
        { page: 'home', width: 1280, pixels: [{ ...set(7), width: 1280 }] },
        { page: 'home', width: 390, layout: [line(44)] },
      ]),
    ).toBeTrue();
    expect([read.layout, read.pixels.size, [...read.pixels.values()].includes(first!)]).toEqual([[line(44)], 2, true]);
    expect(read.take(small().id, [{ page: 'home', width: 390, pixels: [] }])).toBeTrue();
    expect(read.pixels.size).toBe(1);
  });
  it('counts no more for a page that is gone, again when that comes back, and not at all for another site', () => {
    const read = known();
    const site = small();
    read.follow({ ...site, pages: {}, pageOrder: [] });
    expect([read.layout.length, read.pixels.size]).toEqual([0, 0]);
    read.follow(site);
    expect([read.layout.length, read.pixels.size]).toEqual([1, 1]);
    read.follow({ ...site, id: 'another' });
    expect([read.layout.length, read.pixels.size]).toEqual([0, 0]);
    read.follow(site);
    expect([read.layout.length, read.pixels.size]).toEqual([0, 0]);
  });
  it('is kept of a site that is still opening: its pages are read before it is here whole', () => {
    const read = known();
    const next = { ...small(), id: 'next' };
    expect(read.take('next', [{ page: 'home', width: 390, layout: [line(52)] }])).toBeTrue();
    expect([read.layout, read.pixels.size]).toEqual([[line(52)], 0]);
    read.follow(next);
    expect(read.layout).toEqual([line(52)]);
  });
});

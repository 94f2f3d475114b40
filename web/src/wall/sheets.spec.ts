import { TestBed } from '@angular/core/testing';
import { small } from '../testing/small.ts';
import type { SheetReading } from './sheet-reading.ts';
import { Sheets } from './sheets.ts';

describe('what has been read of the pages', () => {
  const reading = (width: number): SheetReading => ({
    page: 'home',
    width,
    height: 1200,
    layout: { lines: new Map(), overflow: false },
    readings: [],
    areas: null,
  });

  it('holds for another colour, and not for other spaces, another width or a page that was changed', () => {
    const site = small();
    const sheets = TestBed.inject(Sheets);
    expect(sheets.isRead(site, 'home', 390)).toBeFalse();
    sheets.take(site, reading(390));
    expect(sheets.isRead(site, 'home', 390)).toBeTrue();
    expect(sheets.isRead(site, 'home', 1280)).toBeFalse();
    expect(
      sheets.isRead({ ...site, brand: { ...site.brand, swatches: { ...site.brand.swatches } } }, 'home', 390),
    ).toBeTrue();
    expect(
      sheets.isRead({ ...site, brand: { ...site.brand, spaces: { ...site.brand.spaces } } }, 'home', 390),
    ).toBeFalse();
    expect(
      sheets.isRead({ ...site, pages: { ...site.pages, home: { ...site.pages['home']! } } }, 'home', 390),
    ).toBeFalse();
  });
  it('of a page that is gone is forgotten when the rest is told', () => {
    const site = small();
    const sheets = TestBed.inject(Sheets);
    sheets.take(site, reading(390));
    sheets.tell(site);
    expect(sheets.heightOf('home', 390)).toBe(1200);
    const { home, ...pages } = site.pages;
    expect(home).toBeDefined();
    sheets.tell({ ...site, pages, pageOrder: site.pageOrder.filter((id) => id !== 'home') });
    expect(sheets.isRead(site, 'home', 390)).toBeFalse();
  });
});

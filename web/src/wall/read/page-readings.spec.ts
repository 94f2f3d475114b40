import { TestBed } from '@angular/core/testing';
import { small } from '../../testing/small.ts';
import type { PageMeasurements } from './page-measurements.ts';
import { PageReadings } from './page-readings.ts';

describe('what has been read of the pages', () => {
  const reading = (width: number): PageMeasurements => ({
    page: 'home',
    width,
    height: 1200,
    layout: { lines: new Map(), overflow: false },
    readings: [],
    areas: null,
  });

  it('holds for another colour, and not for other spaces, another width or a page that was changed', () => {
    const site = small();
    const readings = TestBed.inject(PageReadings);
    expect(readings.isRead(site, 'home', 390)).toBeFalse();
    readings.take(site, reading(390));
    expect(readings.isRead(site, 'home', 390)).toBeTrue();
    expect(readings.isRead(site, 'home', 1280)).toBeFalse();
    expect(
      readings.isRead({ ...site, brand: { ...site.brand, swatches: { ...site.brand.swatches } } }, 'home', 390),
    ).toBeTrue();
    expect(
      readings.isRead({ ...site, brand: { ...site.brand, spaces: { ...site.brand.spaces } } }, 'home', 390),
    ).toBeFalse();
    expect(
      readings.isRead({ ...site, pages: { ...site.pages, home: { ...site.pages['home']! } } }, 'home', 390),
    ).toBeFalse();
  });
  it('of a page that is gone is forgotten when the rest is told', () => {
    const site = small();
    const readings = TestBed.inject(PageReadings);
    readings.take(site, reading(390));
    readings.tell(site);
    expect(readings.heightOf('home', 390)).toBe(1200);
    const { home, ...pages } = site.pages;
    expect(home).toBeDefined();
    readings.tell({ ...site, pages, pageOrder: site.pageOrder.filter((id) => id !== 'home') });
    expect(readings.isRead(site, 'home', 390)).toBeFalse();
  });
});

import type { LayoutReading, Site } from '@yohaku/core';
import { measureAreas, type Areas } from './areas.ts';
import type { GoesOn } from './calm.ts';
import { readLayout, type LayoutSnapshot } from './compare.ts';
import { readLineLengths } from './line-lengths.ts';

/** The measurements of one page at one width: for layout rules, for the palette, and for the heights on the wall. */
export interface PageMeasurements {
  readonly page: string;
  readonly width: number;
  readonly height: number;
  readonly layout: LayoutSnapshot;
  readonly readings: readonly LayoutReading[];
  /** At 1280 only: painted areas are counted once a page. */
  readonly areas: Areas | null;
}

/**
 * Reads a page that is laid out in a document, but for what is read with its text
 * spaced out. Each part is a task of its own: `rest` is asked between them.
 * @returns undefined when it was not to go on
 */
export async function measurePage(
  document: Document,
  site: Site,
  page: string,
  width: number,
  rest: GoesOn,
): Promise<PageMeasurements | undefined> {
  const layout = readLayout(document, site, page);
  if (!(await rest())) return undefined;
  const lengths = readLineLengths(document, site, page, width);
  if (!(await rest())) return undefined;
  const height = Math.ceil(document.body.getBoundingClientRect().height);
  return {
    page,
    width,
    height,
    layout,
    readings: [...lengths, ...readCovered(document, site, page, width)],
    areas: width === 1280 ? measureAreas(document, site, page) : null,
  };
}

/**
 * How tall a header is that stays in sight: so much of the window it covers. Of one over a picture: how much of what is
 * said there.
 */
function readCovered(document: Document, site: Site, page: string, width: number): LayoutReading[] {
  const reading = (found: number): LayoutReading[] => [
    { page, place: `${site.shared.header.id}/surface`, width, rule: 'covered', found: Math.max(0, Math.round(found)) },
  ];
  const over = document.querySelector('header.over-first')?.getBoundingClientRect();
  const first = document.querySelector('main > .section .col > *')?.getBoundingClientRect();
  if (over) return first ? reading(over.bottom - first.top) : [];
  const stays = document.querySelector('header.stays')?.getBoundingClientRect();
  return stays ? reading(stays.height) : [];
}

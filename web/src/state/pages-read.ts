import { Injectable } from '@angular/core';
import type { LayoutReading, PixelSet } from '@yohaku/core';
import { Subject } from 'rxjs';

/**
 * The measurements of one page at one width: for layout rules, or behind its texts over images. Absent parts were not
 * measured.
 */
export interface PageReading {
  readonly page: string;
  readonly width: number;
  readonly layout?: readonly LayoutReading[];
  readonly pixels?: readonly PixelSet[];
}

/**
 * Carries what is read of the pages to whoever judges by it. It goes over as it is read, page by page, and is not kept
 * here: of a large site that would be as much as the site itself.
 */
@Injectable({ providedIn: 'root' })
export class PagesRead {
  readonly read = new Subject<{ readonly siteId: string; readonly readings: readonly PageReading[] }>();
}

import { Injectable } from '@angular/core';
import type { LayoutReading, PixelSet } from '@yohaku/core';
import { Subject } from 'rxjs';

/** What was read of one page at one width: for the rules that go by its layout, or what lies behind its texts over pictures. What is absent was not read. */
export interface SheetRead { readonly page: string; readonly width: number; readonly layout?: readonly LayoutReading[]; readonly pixels?: readonly PixelSet[] }

/** Carries what is read of the pages to whoever judges by it. It goes over as it is read, page by page, and is not kept here: of a large site that would be as much as the site itself. */
@Injectable({ providedIn: 'root' })
export class PagesRead {
  readonly read = new Subject<{ readonly siteId: string; readonly sheets: readonly SheetRead[] }>();
}

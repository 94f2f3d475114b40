import { Injectable, signal } from '@angular/core';
import type { Break } from './breaks.ts';

/** The findings from reading pages that the wall shows; the others go to audit and palette. */
@Injectable({ providedIn: 'root' })
export class Found {
  /** The problems under stress-test content; null while it is off or not yet read. */
  readonly breaks = signal<readonly Break[] | null>(null);
  /** How many pages are still to be read for it. */
  readonly breaksLeft = signal(0);
  /** The largest change of page height by fallback fonts, as a share; null while the fonts are shown. */
  readonly shift = signal<{ readonly most: number } | null>(null);
}

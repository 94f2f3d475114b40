import { Injectable, signal } from '@angular/core';
import type { Break } from './breaks.ts';

/** What was found by reading the pages that the wall itself tells; the rest goes to audit and palette. */
@Injectable({ providedIn: 'root' })
export class Found {
  /** What breaks under hostile copy; null while none is asked for, or nothing of it is read. */
  readonly breaks = signal<readonly Break[] | null>(null);
  /** How many sheets are still to be read for it. */
  readonly breaksLeft = signal(0);
  /** What the stand-ins do to the height of the pages, the most of them, as a share; null while the fonts are shown. */
  readonly shift = signal<{ readonly most: number } | null>(null);
}

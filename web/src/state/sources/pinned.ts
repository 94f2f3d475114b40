import { Injectable, signal } from '@angular/core';
import type { PinSpot, SpotGroup } from '@yohaku/core';

/** The comparison of a design with a page, shared by the pages above and the step. */
@Injectable({ providedIn: 'root' })
export class Pinned {
  readonly groups = signal<readonly SpotGroup[]>([]);
  /** Spots marked on the wall. */
  readonly marked = signal<readonly PinSpot[]>([]);
}

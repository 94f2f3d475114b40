import { Injectable, signal } from '@angular/core';
import type { PinSpot, SpotGroup } from '@yohaku/core';

/** What was read of a design pinned over a page, shared between wall and desk. */
@Injectable({ providedIn: 'root' })
export class Pinned {
  readonly groups = signal<readonly SpotGroup[]>([]);
  /** Spots marked on the wall. */
  readonly marked = signal<readonly PinSpot[]>([]);
}

import { Injectable, signal } from '@angular/core';
import { NO_PIXELS, type FocusPoint, type PixelSets, type Site } from '@yohaku/core';

/** A point on a page at a width, CSS px. */
export interface Spot { readonly page: string; readonly width: number; readonly x: number; readonly y: number }

/** Pixels behind the places over pictures, read from the real layout; and the weakest spot of the one in hand. */
@Injectable({ providedIn: 'root' })
export class PixelsRead {
  readonly sets = signal<PixelSets>(NO_PIXELS);
  readonly spot = signal<Spot | null>(null);
  /** The section whose picture is to be looked at with other focus points. */
  readonly asked = signal<{ readonly page: string; readonly surface: string } | null>(null);
  /** What lies behind its texts then, by focus point. */
  readonly turned = signal<{ readonly site: Site; readonly surface: string; readonly sets: ReadonlyMap<FocusPoint, PixelSets> } | null>(null);
}

import { Injectable, signal } from '@angular/core';
import { NO_PIXELS, type PixelSets } from '@yohaku/core';

/** A point on a page at a width, CSS px. */
export interface Spot { readonly page: string; readonly width: number; readonly x: number; readonly y: number }

/** Pixels behind the places over pictures, read from the real layout; and the weakest spot of the one in hand. */
@Injectable({ providedIn: 'root' })
export class PixelsRead {
  readonly sets = signal<PixelSets>(NO_PIXELS);
  readonly spot = signal<Spot | null>(null);
}

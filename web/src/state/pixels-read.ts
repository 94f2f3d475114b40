import { Injectable, signal } from '@angular/core';
import type { Behind, FocusPoint, OverPicture, PictureFix, PixelSets, Site } from '@yohaku/core';

/** A point on a page at a width, CSS px. */
export interface Spot {
  readonly page: string;
  readonly width: number;
  readonly x: number;
  readonly y: number;
}

/** A text over a picture that is in hand, at the width at which its page hangs. */
export interface TextOver extends OverPicture {
  readonly page: string;
  readonly place: string;
  readonly hung: number;
  /** The section whose picture it stands on; null over a gradient. */ readonly surface: string | null;
}

/** The image behind it, and its fixes. */
export interface FoundBehind extends Behind {
  readonly fixes: readonly PictureFix[];
}

/** The text over a picture in hand, what was found behind it, and its weakest spot. */
@Injectable({ providedIn: 'root' })
export class PixelsRead {
  readonly asked = signal<TextOver | null>(null, {
    equal: (entry, other) => JSON.stringify(entry) === JSON.stringify(other),
  });
  readonly found = signal<FoundBehind | null>(null);
  readonly spot = signal<Spot | null>(null);
  /** The pixels behind the texts of a section at other focus points of its image. */
  readonly turned = signal<{
    readonly site: Site;
    readonly surface: string;
    readonly sets: ReadonlyMap<FocusPoint, PixelSets>;
  } | null>(null);
}

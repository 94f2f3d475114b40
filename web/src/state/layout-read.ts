import { Injectable, signal } from '@angular/core';
import { NO_READINGS, type LayoutReading } from '@yohaku/core';

/** What the rules of the layout have to go by, read from all that hangs. */
@Injectable({ providedIn: 'root' })
export class LayoutRead {
  readonly readings = signal<readonly LayoutReading[]>(NO_READINGS);
}

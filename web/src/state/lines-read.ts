import { Injectable, signal } from '@angular/core';
import { NO_LINES, type LineReading } from '@yohaku/core';

/** How long the lines of running text are, read from the real layout of all that hangs. */
@Injectable({ providedIn: 'root' })
export class LinesRead {
  readonly lines = signal<readonly LineReading[]>(NO_LINES);
}

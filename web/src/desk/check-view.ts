import { Injectable, signal } from '@angular/core';

export type CheckList = 'worse' | 'changed' | 'failing' | 'unknown' | 'held' | 'stray' | 'differences' | 'all';

/** Which list the check step shows; every number of the tally opens its own. */
@Injectable({ providedIn: 'root' })
export class CheckView {
  readonly list = signal<CheckList>('failing');
}

import { ChangeDetectionStrategy, Component } from '@angular/core';
import { ACTS } from '../ui/index.ts';

/** Stands in the desk while the script of a step is fetched. */
@Component({
  selector: 'yo-opening',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: '<p class="quiet" role="status">Opening the step…</p>',
})
export class Opening {}

/** The script of a step could not be fetched: most often because it was replaced by that of a newer version. */
@Component({
  selector: 'yo-not-loaded',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS],
  template: `<p role="alert">
    This step could not be loaded: the server does not answer, or Yohaku was updated. Your edits are kept.
    <button yo-act (click)="reload()">Reload</button>
  </p>`,
})
export class NotLoaded {
  protected reload(): void {
    location.reload();
  }
}

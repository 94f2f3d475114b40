import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/**
 * The first line of a step: the selected thing and the one figure that matters, then the main command, quiet commands
 * and *More*. Its commands stand at the right end, on the baseline of the subject.
 */
@Component({
  selector: 'yo-subject',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ng-content select="[before]" />
    <h2>{{ subject() }}</h2>
    @if (figure()) {
      <p class="figure">{{ figure() }}</p>
    }
    <ng-content select="[beside]" />
    <span class="space"></span>
    <ng-content />
  `,
  styles: `
    :host {
      display: flex;
      align-items: center;
      gap: 4px;
      min-height: 32px;
      white-space: nowrap;
    }
    h2 {
      font-size: 19px;
      line-height: 24px;
      font-weight: 600;
      margin: 0 10px 0 0;
      min-width: 0;
      overflow: hidden;
      text-overflow: ellipsis;
    }
    .figure {
      color: #4a4a4a;
      padding-top: 3px;
      min-width: 0;
      overflow: hidden;
      text-overflow: ellipsis;
    }
    .space {
      flex: 1 1 12px;
    }
  `,
})
export class Subject {
  /** The selected thing. */
  readonly subject = input.required<string>();
  /** The one figure that matters, in words. */
  readonly figure = input('');
}

import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';

/**
 * Something that acts when it is pressed: a hairline box with a verb.
 * One a screen may be the main thing to do, filled with ink.
 */
@Component({
  selector: 'yo-act',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonModule],
  template: `
    <button nz-button [attr.type]="submits() ? 'submit' : 'button'" [nzType]="main() ? 'primary' : 'default'" [nzLoading]="busy()" [disabled]="disabled() || busy()" [attr.aria-label]="label() || null" [attr.title]="label() || null" (click)="pressed.emit($event)">
      <ng-content />
    </button>
  `,
})
export class Act {
  /** The one thing that this screen is for. */
  readonly main = input(false);
  readonly submits = input(false);
  readonly disabled = input(false);
  readonly busy = input(false);
  /** What is read out where the words on it do not say enough by themselves. */
  readonly label = input('');
  readonly pressed = output<MouseEvent>();
}

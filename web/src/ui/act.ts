import { ChangeDetectionStrategy, Component, ViewEncapsulation, computed, input, output } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { ICONS, type UiIcon } from './icons.ts';

/**
 * Something that acts when it is pressed: a hairline box with a verb, and an icon
 * where it is used often. One a screen may be the main thing to do, filled with ink.
 */
@Component({
  selector: 'yo-act',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  imports: [NzButtonModule],
  template: `
    <button nz-button [attr.type]="submits() ? 'submit' : 'button'" [nzType]="main() ? 'primary' : 'default'" [nzLoading]="busy()" [disabled]="disabled() || busy()" [attr.aria-label]="label() || null" [attr.title]="label() || null" (click)="pressed.emit($event)">
      @if (paths(); as paths) { <svg class="yo-icon" viewBox="0 0 24 24" aria-hidden="true">@for (d of paths; track d) { <path [attr.d]="d" /> }</svg> }
      <ng-content />
    </button>
  `,
})
export class Act {
  readonly icon = input<UiIcon | null>(null);
  /** The one thing that this screen is for. */
  readonly main = input(false);
  readonly submits = input(false);
  readonly disabled = input(false);
  readonly busy = input(false);
  /** What is read out where the words on it do not say enough by themselves. */
  readonly label = input('');
  readonly pressed = output<MouseEvent>();
  protected readonly paths = computed(() => (this.icon() ? ICONS[this.icon()!] : null));
}

import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzRadioModule } from 'ng-zorro-antd/radio';

let count = 0;

/**
 * One of a few, all in sight: a row of radio buttons. (The library's segmented control marks its labels as what screen
 * readers take for options of a list.)
 */
@Component({
  selector: 'yo-segments',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NzRadioModule],
  template: `<nz-radio-group
    role="radiogroup"
    nzButtonStyle="solid"
    [nzName]="name"
    [attr.aria-label]="label()"
    [ngModel]="value()"
    (ngModelChange)="take($event)"
  >
    @for (option of options(); track option.value) {
      <label nz-radio-button [nzValue]="option.value">{{ option.label }}</label>
    }
  </nz-radio-group>`,
  styles: ':host { display: inline-flex; }',
})
export class Segments<T extends string> {
  readonly label = input.required<string>();
  readonly options = input.required<readonly { readonly value: T; readonly label: string }[]>();
  readonly value = input.required<T>();
  readonly chosen = output<T>();
  /** One name for all of a group: then Tab goes to the one that is chosen, and arrow keys go through them. */
  protected readonly name = `segments-${++count}`;

  protected take(value: T): void {
    if (value !== this.value()) this.chosen.emit(value);
  }
}

import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { NzInputModule } from 'ng-zorro-antd/input';

let count = 0;

/** Text of several lines, told as it is typed. */
@Component({
  selector: 'yo-area',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzInputModule],
  template: `
    <label [for]="id" class="head" [class.sr]="hideLabel()">{{ label() }}</label>
    <textarea
      nz-input
      class="mono"
      [id]="id"
      [rows]="rows()"
      spellcheck="false"
      [attr.placeholder]="placeholder() || null"
      [value]="value()"
      (input)="typed.emit($any($event.target).value)"
    ></textarea>
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
    }
    textarea {
      resize: vertical;
    }
  `,
})
export class TextArea {
  readonly label = input.required<string>();
  readonly value = input.required<string>();
  readonly rows = input(2);
  readonly placeholder = input('');
  readonly hideLabel = input(false);
  readonly typed = output<string>();
  protected readonly id = `area-${++count}`;
}

import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';
import { NzInputModule } from 'ng-zorro-antd/input';

let count = 0;

/** A text of a form that is sent as a whole, with what is wrong with it right under it. */
@Component({
  selector: 'yo-form-text',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ReactiveFormsModule, NzInputModule],
  template: `
    <label [for]="id" class="head">{{ label() }}</label>
    @if (rows() > 1) {
      <textarea
        nz-input
        class="mono"
        [id]="id"
        [rows]="rows()"
        spellcheck="false"
        [formControl]="control()"
        [attr.placeholder]="placeholder() || null"
        [attr.aria-invalid]="problem() !== '' || null"
        [attr.aria-describedby]="problem() ? id + '-why' : null"
      ></textarea>
    } @else {
      <input
        nz-input
        [id]="id"
        type="text"
        autocomplete="off"
        dir="auto"
        maxlength="200"
        [formControl]="control()"
        [attr.aria-invalid]="problem() !== '' || null"
        [attr.aria-describedby]="problem() ? id + '-why' : null"
      />
    }
    @if (problem()) {
      <span class="note why" [id]="id + '-why'" role="alert">{{ problem() }}</span>
    }
  `,
  styles: ':host { display: flex; flex-direction: column; } .why { color: #1a1a1a; }',
})
export class FormText {
  readonly label = input.required<string>();
  readonly control = input.required<FormControl<string>>();
  readonly problem = input('');
  readonly placeholder = input('');
  readonly rows = input(1);
  protected readonly id = `form-text-${++count}`;
}

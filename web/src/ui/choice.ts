import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzSelectModule } from 'ng-zorro-antd/select';

export interface ChoiceOption { readonly value: string; readonly label: string; readonly color?: string }
let count = 0;

/** One of several by name, with a chip of its colour where it has one. */
@Component({
  selector: 'yo-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NzSelectModule],
  template: `
    <label [for]="id" class="head" [class.sr]="hideLabel()">{{ label() }}</label>
    <nz-select [nzId]="id" [ngModel]="value()" (ngModelChange)="chosen.emit($event)" [nzPlaceHolder]="placeholder()" [nzDropdownMatchSelectWidth]="false" nzShowSearch
      [style.width.px]="width()" (nzFocus)="focused.emit()" (nzBlur)="blurred.emit()">
      @for (option of options(); track option.value) {
        <nz-option [nzValue]="option.value" [nzLabel]="option.label" nzCustomContent>@if (option.color) { <span class="chip" [style.background]="option.color"></span> }{{ option.label }}</nz-option>
      }
    </nz-select>
  `,
  styles: `:host { display: inline-flex; flex-direction: column; } .chip { display: inline-block; width: 12px; height: 12px; margin-right: 8px; vertical-align: -1px; outline: 1px solid #d9d9d9; }`,
})
export class Choice {
  readonly label = input.required<string>();
  readonly value = input.required<string | null>();
  readonly options = input.required<readonly ChoiceOption[]>();
  readonly width = input(140);
  readonly hideLabel = input(false);
  readonly placeholder = input('');
  readonly chosen = output<string>();
  readonly focused = output();
  readonly blurred = output();
  protected readonly id = `choice-${++count}`;
}

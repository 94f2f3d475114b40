import { ChangeDetectionStrategy, Component, ElementRef, input, output, viewChild } from '@angular/core';
import { NzInputModule } from 'ng-zorro-antd/input';

let count = 0;

/** A field that narrows a list with each letter. */
@Component({
  selector: 'yo-seek',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzInputModule],
  template: `
    <label [for]="id" class="head" [class.sr]="hideLabel()">{{ label() }}</label>
    <input
      #field
      nz-input
      [id]="id"
      type="search"
      autocomplete="off"
      spellcheck="false"
      [style.width]="width()"
      [attr.placeholder]="placeholder() || null"
      [attr.aria-controls]="controls() || null"
      [value]="value()"
      (input)="typed.emit($any($event.target).value)"
    />
  `,
  styles: `
    :host {
      display: inline-flex;
      flex-direction: column;
    }
  `,
})
export class SeekField {
  protected readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  readonly label = input.required<string>();
  readonly value = input.required<string>();
  readonly width = input('200px');
  readonly placeholder = input('');
  readonly hideLabel = input(false);
  /** Id of the list that it narrows. */
  readonly controls = input('');
  readonly typed = output<string>();
  protected readonly id = `seek-${++count}`;

  focus(): void {
    this.field().nativeElement.focus();
  }
}

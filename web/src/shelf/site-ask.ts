import { ChangeDetectionStrategy, Component, afterNextRender, input, output, viewChild } from '@angular/core';
import { ACTS, TextField } from '../ui/index.ts';

/** Asks for a name in a field that has the focus, with a button that confirms and one that cancels. */
@Component({
  selector: 'yo-site-ask',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, TextField],
  template: `
    <yo-text
      #field
      [label]="label()"
      [value]="value()"
      width="220px"
      [check]="check()"
      [confirmed]="true"
      (done)="done.emit($event)"
    />
    <p class="acts">
      <button yo-act (click)="field.confirm()">{{ act() }}</button><button yo-act (click)="closed.emit()">
        Cancel
      </button>
    </p>
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 8px;
    }
    .acts {
      display: flex;
      gap: 8px;
    }
  `,
  host: { '(keydown.escape)': 'closed.emit()' },
})
export class SiteAsk {
  readonly label = input.required<string>();
  readonly value = input.required<string>();
  /** Words of the button that confirms. */
  readonly act = input.required<string>();
  readonly check = input.required<(text: string) => string>();
  readonly done = output<string>();
  readonly closed = output();
  protected readonly name = viewChild.required(TextField);

  constructor() {
    // The menu that opened this gives the focus back to its button first.
    afterNextRender(() => setTimeout(() => this.name().focus()));
  }
}

import { Directive, inject, input } from '@angular/core';
import { Store } from '@ngrx/store';
import { DeskActions } from './desk.ts';
import type { Scope } from './scope.ts';

/** Says what a control reaches while it, or anything inside it, has the focus: its places are lit on the wall and counted. */
@Directive({ selector: '[yoReaching]', host: { '(focusin)': 'says(yoReaching())', '(focusout)': 'says(null)' } })
export class Reaching {
  readonly #store = inject(Store);
  readonly yoReaching = input.required<Scope>();

  protected says(scope: Scope | null): void {
    this.#store.dispatch(DeskActions.light({ scope }));
  }
}

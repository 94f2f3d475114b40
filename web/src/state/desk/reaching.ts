import { Directive, inject, input, type OnDestroy } from '@angular/core';
import { Store } from '@ngrx/store';
import { DeskActions } from './desk.ts';
import type { Scope } from './scope.ts';

/**
 * Says what a control reaches while it, or anything inside it, has the focus: its places are lit on the wall and
 * counted.
 */
@Directive({ selector: '[yoReaching]', host: { '(focusin)': 'says(yoReaching())', '(focusout)': 'says(null)' } })
export class Reaching implements OnDestroy {
  readonly #store = inject(Store);
  readonly yoReaching = input.required<Scope>();

  protected says(scope: Scope | null): void {
    this.#says = scope !== null;
    this.#store.dispatch(DeskActions.light({ scope }));
  }
  #says = false;

  /** Takes its outlines off the wall: a control that goes away with the focus in it never loses the focus. */
  ngOnDestroy(): void {
    if (this.#says) this.says(null);
  }
}

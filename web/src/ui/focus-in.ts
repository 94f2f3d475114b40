import { Directive, ElementRef, afterNextRender, inject } from '@angular/core';

/** Takes the focus into itself when it appears: what was pressed to open it is gone. */
@Directive({ selector: '[yoFocusIn]' })
export class FocusIn {
  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    // A field comes before a button: the first button of most panels closes them.
    afterNextRender(() =>
      (
        host.querySelector<HTMLElement>('input:not([type=file]), textarea') ??
        host.querySelector<HTMLElement>('button, [tabindex="0"]')
      )?.focus(),
    );
  }
}

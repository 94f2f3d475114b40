import { Directive, ElementRef, afterNextRender, inject } from '@angular/core';

/** Takes the focus into itself when it appears: what was pressed to open it is gone. */
@Directive({ selector: '[yoFocusIn]' })
export class FocusIn {
  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    afterNextRender(() => host.querySelector<HTMLElement>('button, input, [tabindex="0"]')?.focus());
  }
}

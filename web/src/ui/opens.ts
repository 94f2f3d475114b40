import { Directive } from '@angular/core';

/**
 * A button that acts on nothing and opens something else: a list, another step, a panel. Set as an underlined link with
 * an arrow.
 */
@Directive({ selector: 'button[yo-opens]', host: { class: 'yo-opens', type: 'button' } })
export class Opens {}

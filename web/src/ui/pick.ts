import { Directive } from '@angular/core';

/**
 * A thing that is chosen by pressing it: a row, a sample, a name. It looks like the thing; pointed at, it is set off
 * from the others.
 */
@Directive({ selector: 'button[yo-pick]', host: { class: 'yo-pick', type: 'button' } })
export class Pick {}

import { ChangeDetectionStrategy, Component } from '@angular/core';

/** A route with nothing in it: what opening a step is measured against. */
@Component({ selector: 'yo-empty', changeDetection: ChangeDetectionStrategy.OnPush, template: '' })
export class Empty {}

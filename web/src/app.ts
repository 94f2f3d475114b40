import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterOutlet } from '@angular/router';

/** What the address asks for: the shelf, a new site, the desk of a site, or signing in. */
@Component({ selector: 'yo-app', changeDetection: ChangeDetectionStrategy.OnPush, imports: [RouterOutlet], template: '<router-outlet />' })
export class App {}

import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Router, RouterLink } from '@angular/router';

/** An address that leads nowhere says so, and where there is something. */
@Component({
  selector: 'yo-nowhere',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `<main>
    <h1 class="strong">Page not found</h1>
    <p>
      There is nothing at <span class="mono">{{ address }}</span>. It may have been deleted, or part of the address is
      missing.
    </p>
    <p><a class="opens back" routerLink="/">All sites</a></p>
  </main>`,
  styleUrl: './alone.less',
})
export class Nowhere {
  protected readonly address = decodeURIComponent(inject(Router).url).slice(0, 200);
}

import {
  ChangeDetectionStrategy,
  Component,
  ViewEncapsulation,
  booleanAttribute,
  computed,
  inject,
  input,
  signal,
} from '@angular/core';
import { Act } from './act.ts';
import { Density } from './density.ts';
import { remember, remembered } from './remember.ts';

/**
 * Rare controls: with essential controls they are one click away and stay open once
 * opened; with all controls they are shown like the others.
 */
@Component({
  selector: 'yo-more',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  imports: [Act],
  template: `@if (!density.all()) {
      <button
        yo-act
        quiet
        class="yo-more"
        [class.yo-fields]="fields()"
        [icon]="open() ? 'less' : 'more'"
        [attr.aria-expanded]="open()"
        (click)="turn()"
      >
        {{ open() ? 'Less' : label() }}
      </button>
    }
    @if (shown()) {
      <ng-content />
    }`,
  styles: `
    yo-more {
      display: contents;
    }
    .yo-more.yo-fields {
      align-self: flex-start;
      margin: 0 0 0 -9px;
    }
  `,
})
export class More {
  protected readonly density = inject(Density);
  readonly label = input('More');
  /** It stands in a line of fields, whose names stand above them. */
  readonly fields = input(false, { transform: booleanAttribute });
  /** The key under which it is remembered. */
  readonly id = input.required<string>();
  readonly #turned = signal<boolean | null>(null);
  protected readonly open = computed(() => this.#turned() ?? remembered(`yohaku-more-${this.id()}`) === 'open');
  protected readonly shown = computed(() => this.density.all() || this.open());

  protected turn(): void {
    const open = !this.open();
    this.#turned.set(open);
    remember(`yohaku-more-${this.id()}`, open ? 'open' : 'shut');
  }
}

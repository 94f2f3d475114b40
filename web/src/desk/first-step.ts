import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { deskFeature, remember, remembered, siteFeature, stepHint, stepLabel } from '../state/index.ts';
import { ACTS } from '../ui/index.ts';

const KEY = 'yohaku-first-steps';

/** On a site that was just begun: one sentence a step, until something was done there. */
@Component({
  selector: 'yo-first-step',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS],
  template: `@if (words(); as words) {
    <p>
      <span>{{ words }}</span><button
        yo-act
        [attr.aria-label]="'Hide the hint for ' + label() + ' step'"
        (click)="close()"
      >
        Got it
      </button>
    </p>
  }`,
  styles: `
    p {
      display: flex;
      gap: 16px;
      align-items: center;
      margin: 6px 20px 0;
      padding: 4px 0 4px 12px;
      border-left: 3px solid #1a1a1a;
    }
  `,
})
export class FirstStep {
  readonly #store = inject(Store);
  readonly #site = this.#store.selectSignal(siteFeature.selectCurrent);
  protected readonly label = computed(() => stepLabel(this.step()));
  readonly #done = this.#store.selectSignal(siteFeature.selectDone);
  protected readonly step = this.#store.selectSignal(deskFeature.selectStep);
  readonly #closed = signal<readonly string[]>((remembered(KEY) ?? '').split(' ').filter(Boolean));
  /** Begun, and not decided yet: most of its styles are as they were made up. */
  readonly #new = computed(() => {
    const styles = Object.values(this.#site()?.brand.styles ?? {});
    return styles.filter((style) => style.provisional).length * 2 > styles.length;
  });
  readonly #key = computed(() => `${this.#site()?.id ?? ''}/${this.step()}`);
  protected readonly words = computed(() =>
    this.#new() && !this.#closed().includes(this.#key()) ? stepHint(this.step()) : '',
  );
  #known: number | undefined;

  constructor() {
    effect(() => {
      const done = this.#done().length;
      // An edit in a step shows that the user understands it.
      if (this.#known !== undefined && done > this.#known && this.words()) this.close();
      this.#known = done;
    });
  }

  protected close(): void {
    this.#closed.update((closed) => [...closed, this.#key()].slice(-200));
    remember(KEY, this.#closed().join(' '));
  }
}

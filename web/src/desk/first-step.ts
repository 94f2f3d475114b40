import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { deskFeature, remember, remembered, siteFeature, type Step } from '../state/index.ts';
import { ACTS } from '../ui/index.ts';

/** What each step is for, and what to do there first. */
const WORDS: Readonly<Record<Step, string>> = {
  gather: 'Here sources come in: drop a logo, a picture or a list of colours, and keep the colours that carry the brand.',
  colour: 'Colours are set once for all pages. Press one in the palette and pull it in the field: every place that has it follows.',
  grounds: 'A background carries every colour that may sit on it. Press a sample that should look otherwise, and choose its swatch.',
  type: 'Choose two typefaces, then pull the ends of the scale: all styles keep their relation.',
  buttons: 'One shape for all buttons, and what each variant looks like in each state. Press a button to select it.',
  pages: 'Add pages and sections here; write where the words stand: double-click them on the wall.',
  check: 'Whatever fails is listed here with what fixes it. A site that was just begun passes.',
  publish: 'What is live stays as it is until it is published here. Everything provisional is named first.',
};
const KEY = 'yohaku-first-steps';

/** On a site that was just begun: one sentence a step, until something was done there. */
@Component({
  selector: 'yo-first-step',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS],
  template: `@if (words(); as words) { <p><span>{{ words }}</span><button yo-act [attr.aria-label]="'Hide what ' + step() + ' is for'" (click)="close()">Got it</button></p> }`,
  styles: `p { display: flex; gap: 16px; align-items: center; margin: 6px 20px 0; padding: 4px 0 4px 12px; border-left: 3px solid #1a1a1a; }`,
})
export class FirstStep {
  readonly #store = inject(Store);
  readonly #site = this.#store.selectSignal(siteFeature.selectCurrent);
  readonly #done = this.#store.selectSignal(siteFeature.selectDone);
  protected readonly step = this.#store.selectSignal(deskFeature.selectStep);
  readonly #closed = signal<readonly string[]>((remembered(KEY) ?? '').split(' ').filter(Boolean));
  /** Begun, and not decided yet: most of its styles are as they were made up. */
  readonly #new = computed(() => {
    const styles = Object.values(this.#site()?.brand.styles ?? {});
    return styles.filter((one) => one.provisional).length * 2 > styles.length;
  });
  readonly #key = computed(() => `${this.#site()?.id ?? ''}/${this.step()}`);
  protected readonly words = computed(() => (this.#new() && !this.#closed().includes(this.#key()) ? WORDS[this.step()] : ''));
  #known: number | undefined;

  constructor() {
    effect(() => {
      const done = this.#done().length;
      // What is done in a step says that it is understood.
      if (this.#known !== undefined && done > this.#known && this.words()) this.close();
      this.#known = done;
    });
  }

  protected close(): void {
    this.#closed.update((closed) => [...closed, this.#key()].slice(-200));
    remember(KEY, this.#closed().join(' '));
  }
}

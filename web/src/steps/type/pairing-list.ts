import { ChangeDetectionStrategy, Component, DestroyRef, computed, inject } from '@angular/core';
import { PAIRINGS, familyById, familyStack, ownWords, plural, setFamilies, type Pairing } from '@yohaku/core';
import { Editor, Reaching, type Scope } from '../../state/index.ts';
import { placesInRole } from './places-in-role.ts';
import { ACTS } from '../../ui/index.ts';

/**
 * Families that go together, each pair set in the site's own words with its reason; tried while pointed at, taken in
 * one act.
 */
@Component({
  selector: 'yo-pairing-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Reaching],
  template: `
    <ul aria-label="Pairings">
      @for (pair of pairs(); track pair.label) {
        <li
          [class.now]="pair.now"
          (mouseenter)="tries(pair.pairing)"
          (mouseleave)="tries(null)"
          (focusin)="tries(pair.pairing)"
          (focusout)="tries(null)"
        >
          <p class="heading" [style.font-family]="pair.heading">{{ words()?.title }}</p>
          <p class="text" [style.font-family]="pair.body">{{ words()?.sentence }}</p>
          <p class="foot">
            <span class="strong">{{ pair.label }}</span>
            @if (pair.now) {
              <span class="strong">In use</span>
            } @else {
              <button
                yo-act
                slight
                [yoReaching]="scope()"
                [attr.aria-label]="'Use ' + pair.label"
                (click)="take(pair.pairing)"
              >
                Use
              </button>
            }
          </p>
          <p class="note">{{ pair.pairing.why }}</p>
        </li>
      }
    </ul>
  `,
  styles: `
    :host {
      display: block;
      height: 100%;
      min-height: 0;
      overflow: auto;
    }
    ul {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(290px, 1fr));
      gap: 16px 28px;
      padding: 2px;
    }
    li {
      display: flex;
      flex-direction: column;
      border-top: 1px solid #d9d9d9;
      padding-top: 6px;
    }
    li.now {
      border-top: 3px solid #1a1a1a;
      padding-top: 4px;
    }
    li:hover,
    li:focus-within {
      background: #f0f0f0;
    }
    .heading {
      font-size: 22px;
      line-height: 30px;
      white-space: nowrap;
      overflow: hidden;
      font-weight: 600;
    }
    .text {
      font-size: 13.5px;
      line-height: 19px;
      height: 38px;
      overflow: hidden;
    }
    .foot {
      display: flex;
      gap: 12px;
      justify-content: space-between;
      padding-top: 4px;
    }
  `,
})
export class PairingList {
  readonly #editor = inject(Editor);
  protected readonly words = computed(() => {
    const site = this.#editor.current();
    return site && ownWords(site);
  });
  protected readonly pairs = computed(() => {
    const families = this.#editor.current()?.brand.families;
    return PAIRINGS.map((pairing) => ({
      pairing,
      label: `${familyById(pairing.heading)!.name} with ${familyById(pairing.body)!.name}`,
      heading: familyStack(pairing.heading),
      body: familyStack(pairing.body),
      now: families?.heading === pairing.heading && families.body === pairing.body,
    }));
  });
  protected readonly scope = computed((): Scope => {
    const site = this.#editor.current();
    return {
      words: site
        ? `Both families are used in ${plural(placesInRole(site, 'heading') + placesInRole(site, 'body'), 'place')}`
        : '',
    };
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.#editor.cancel());
  }

  protected tries(pairing: Pairing | null): void {
    if (pairing) this.#editor.preview((site) => setFamilies(site, 'Pairing', pairing));
    else this.#editor.cancel();
  }
  protected take(pairing: Pairing): void {
    this.#editor.commit((site) =>
      setFamilies(site, `${familyById(pairing.heading)!.name} with ${familyById(pairing.body)!.name}`, pairing),
    );
  }
}

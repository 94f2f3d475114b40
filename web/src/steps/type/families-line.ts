import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Store } from '@ngrx/store';
import { familyById, familyStack, plural, setFamilies } from '@yohaku/core';
import { DeskActions, Editor, Reaching, deskFeature, type Scope } from '../../state/index.ts';
import { placesInRole } from './places-in-role.ts';
import { ACTS } from '../../ui/index.ts';

export type TypeView = 'ladder' | 'heading' | 'body' | 'pairings';

/**
 * The two families, each in its own letters, and the ways from here: the shelf of each, the pairings, both swapped, the
 * wall without its fonts.
 */
@Component({
  selector: 'yo-families-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Reaching],
  template: `
    @for (role of roles; track role) {
      <button
        yo-pick
        class="family"
        [class.now]="view() === role"
        [attr.aria-expanded]="view() === role"
        [yoReaching]="'family.' + role"
        (click)="shows.emit(view() === role ? 'ladder' : role)"
      >
        <span class="head">{{ role === 'heading' ? 'Headings' : 'Text' }}</span><span
          class="face"
          [style.font-family]="stack(role)"
          >{{ name(role) }}</span
        >
      </button>
    }
    <span class="acts">
      <button yo-act quiet [yoReaching]="both()" (click)="swap()">Swap</button>
      <button
        yo-act
        quiet
        [class.strong]="view() === 'pairings'"
        [attr.aria-expanded]="view() === 'pairings'"
        [yoReaching]="shelfOnly"
        (click)="shows.emit(view() === 'pairings' ? 'ladder' : 'pairings')"
      >
        Pairings
      </button>
      <button yo-act quiet [attr.aria-pressed]="standIns()" [yoReaching]="wallOnly" (click)="pretend()">
        Preview fallback
      </button>
      @if (view() !== 'ladder') {
        <button yo-act quiet icon="close" (click)="shows.emit('ladder')">Back to the type scale</button>
      }
    </span>
  `,
  styles: `
    :host {
      display: flex;
      gap: 20px;
      align-items: flex-end;
    }
    .family {
      display: flex;
      flex-direction: column;
      border-bottom: 1px solid #8a8a8a;
      padding-bottom: 1px;
    }
    .family:hover {
      border-bottom-color: #1a1a1a;
    }
    .family.now {
      border-bottom: 3px solid #1a1a1a;
      padding-bottom: 0;
      margin-bottom: -1px;
    }
    .face {
      font-size: 19px;
      line-height: 26px;
      white-space: nowrap;
    }
    .acts {
      display: flex;
      gap: 8px;
    }
  `,
})
export class FamiliesLine {
  readonly #editor = inject(Editor);
  readonly #store = inject(Store);
  readonly view = input.required<TypeView>();
  readonly shows = output<TypeView>();
  protected readonly roles = ['heading', 'body'] as const;
  protected readonly standIns = this.#store.selectSignal(deskFeature.selectStandIns);
  readonly #brand = computed(() => this.#editor.shown()?.brand);
  protected readonly both = computed((): Scope => {
    const site = this.#editor.current();
    return {
      words: site
        ? `Swapping the families changes ${plural(placesInRole(site, 'heading') + placesInRole(site, 'body'), 'place')}`
        : '',
    };
  });
  protected readonly shelfOnly: Scope = {
    words: 'Shows families that go together; no place changes until you use one',
  };
  protected readonly wallOnly: Scope = { words: 'Shows the pages before the fonts have loaded; no place changes' };

  protected name(role: 'heading' | 'body'): string {
    const brand = this.#brand();
    return (brand && familyById(brand.families[role], brand.fonts)?.name) ?? '';
  }
  protected stack(role: 'heading' | 'body'): string {
    const brand = this.#brand();
    return brand ? familyStack(brand.families[role], brand.fonts) : '';
  }
  protected swap(): void {
    this.#editor.commit((site) =>
      setFamilies(site, 'Swap the families', { heading: site.brand.families.body, body: site.brand.families.heading }),
    );
  }
  protected pretend(): void {
    this.#store.dispatch(DeskActions.standIns({ shown: !this.standIns() }));
  }
}

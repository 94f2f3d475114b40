import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { STRESS_KINDS, plural, publishedPage, type StressKind } from '@yohaku/core';
import { DeskActions, Editor, deskFeature } from '../../state/index.ts';
import { type Break, Found } from '../read/index.ts';
import { ACTS } from '../../ui/index.ts';

/** How hostile the copy on the wall is, and what breaks under it; each leads to where it breaks. */
@Component({
  selector: 'yo-stress-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS],
  template: `
    <span class="yo-joined" role="group" aria-label="Stress-test content">
      @for (kind of kinds; track kind.kind) {
        <button yo-act [attr.aria-pressed]="on().has(kind.kind)" (click)="toggle(kind.kind)">{{ kind.label }}</button>
      }
    </span>
    <span class="found" role="status">{{ says() }}</span>
    <ul aria-label="Problems">
      @for (entry of list(); track $index) {
        <li>
          <button yo-opens (click)="show(entry)">
            {{ title(entry) }}: {{ entry.label }} {{ entry.words }}{{ entry.style ? ', set in ' + entry.style : '' }}
          </button>
        </li>
      }
    </ul>
  `,
  styles: `
    :host {
      display: flex;
      gap: 16px;
      align-items: center;
      padding: 0 20px;
      min-height: 28px;
      font-size: 12px;
    }
    [role='group'] {
      flex: none;
    }
    button {
      min-height: 24px;
      white-space: nowrap;
    }
    .found {
      flex: none;
      font-weight: 600;
    }
    ul {
      display: flex;
      gap: 20px;
      overflow-x: auto;
      min-width: 0;
      padding: 2px;
    }
  `,
})
export class StressBar {
  readonly #store = inject(Store);
  readonly #found = inject(Found);
  readonly #site = inject(Editor).current;
  readonly #kinds = this.#store.selectSignal(deskFeature.selectStress);
  protected readonly kinds = STRESS_KINDS;
  protected readonly on = computed(() => new Set(this.#kinds()));
  /** The listed problems, limited to a readable number. */
  protected readonly list = computed(() => (this.#found.breaks() ?? []).slice(0, 200));
  protected readonly says = computed(() => {
    const found = this.#found.breaks();
    if (found === null) return 'Checking…';
    const left = this.#found.breaksLeft();
    const said =
      found.length === 0
        ? left > 0
          ? 'No problems yet'
          : 'No problems'
        : `${plural(found.length, 'thing')} ${found.length === 1 ? 'breaks' : 'break'}`;
    return left > 0 ? `${said}, ${plural(left, 'page')} still to check` : said;
  });

  protected toggle(kind: StressKind): void {
    const kinds = this.#kinds();
    this.#store.dispatch(
      DeskActions.stress({ kinds: kinds.includes(kind) ? kinds.filter((name) => name !== kind) : [...kinds, kind] }),
    );
  }
  protected title(entry: Break): string {
    return `${(this.#site() && publishedPage(this.#site()!, entry.page)?.title) ?? entry.page} at ${entry.width}`;
  }
  protected show(entry: Break): void {
    this.#store.dispatch(DeskActions.grow({ page: entry.page }));
    this.#store.dispatch(DeskActions.choose({ choice: { place: { page: entry.page, id: entry.place } } }));
  }
}

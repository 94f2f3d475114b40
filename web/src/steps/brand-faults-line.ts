import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { brandFaults, cutDownText, plural, type BrandFault } from '@yohaku/core';
import { DeskActions, Editor } from '../state/index.ts';
import { ACTS, More } from '../ui/index.ts';

/**
 * Shows the number of unused roles that would fail and of buttons that look alike, with a list that opens each on
 * Backgrounds.
 */
@Component({
  selector: 'yo-brand-faults',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, More],
  template: `
    @if (faults().length) {
      <p class="note" role="status">{{ words() }}</p>
      <yo-more id="brand-faults" label="Show the list">
        <ul aria-label="Unused roles that would fail">
          @for (fault of faults(); track fault.kind + fault.words) {
            <li>
              <button yo-opens (click)="go(fault)">{{ fault.words }}</button><span class="mono"
                >{{ fault.kind === 'alike' ? 'ΔE ' + cut(fault.found, 3) : cut(fault.found) }}, needs
                {{ fault.needed }}</span
              >
            </li>
          }
        </ul>
      </yo-more>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      column-gap: 12px;
    }
    .note {
      margin: 0;
    }
    .yo-more {
      min-height: 24px;
      padding-block: 0;
    }
    ul {
      flex-basis: 100%;
    }
    li {
      display: flex;
      gap: 16px;
      justify-content: space-between;
      align-items: center;
      min-height: 28px;
      max-width: 560px;
    }
    li .yo-opens {
      min-height: 24px;
    }
  `,
})
export class BrandFaultsLine {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  protected readonly faults = computed(() => {
    const site = this.#editor.current();
    return site ? brandFaults(site) : [];
  });
  protected readonly words = computed(() => {
    const alike = this.faults().filter(({ kind }) => kind === 'alike').length;
    const unused = this.faults().length - alike;
    return (
      [
        unused ? `${plural(unused, 'unused role')} would fail` : '',
        alike ? `${plural(alike, 'pair')} of buttons or states ${alike === 1 ? 'looks' : 'look'} alike` : '',
      ]
        .filter(Boolean)
        .join('. ') + '.'
    );
  });
  protected go({ ground, role }: BrandFault): void {
    this.#store.dispatch(DeskActions.step({ step: 'backgrounds' }));
    this.#store.dispatch(DeskActions.choose({ choice: { ground, role } }));
  }
  protected readonly cut = cutDownText;
}

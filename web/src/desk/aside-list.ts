import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, inject, output } from '@angular/core';
import { Store } from '@ngrx/store';
import { plainText, type Change, type Inline } from '@yohaku/core';
import { SiteActions, freshId, siteFeature } from '../state/index.ts';
import { Drawer } from './drawer.ts';
import { ACTS } from '../ui/index.ts';

/** So much of what was written is shown, characters. */
const SHOWN = 4000;
const isWords = (value: unknown): value is Inline[] =>
  Array.isArray(value) &&
  value.length > 0 &&
  value.every((run) => typeof (run as Partial<Inline> | null)?.text === 'string');

/**
 * Edits that the server refused, or that came when what they were for was gone: what each was, why, and what can be
 * done with it.
 */
@Component({
  selector: 'yo-aside-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Drawer, DatePipe],
  template: `
    <yo-drawer title="Edits not applied" [width]="520" (closed)="closed.emit()">
      <p class="quiet">
        These edits could not be applied. All others were. This browser keeps them until you discard them.
      </p>
      <ul>
        @for (change of aside(); track change.change.id) {
          <li>
            <p>
              <span class="strong">{{ change.change.label }}</span>
              <span class="mono quiet when">{{ change.at | date: 'd MMM, HH:mm' }}</span>
            </p>
            <p>{{ change.words }}</p>
            @if (written(change.change); as words) {
              <p class="written">{{ words }}</p>
            }
            <p class="acts">
              <button yo-act (click)="again(change.change.id)">Try again</button>
              <button yo-act (click)="forget(change.change.id)">Discard</button>
            </p>
          </li>
        } @empty {
          <li class="quiet">No edits here.</li>
        }
      </ul>
    </yo-drawer>
  `,
  styles: `
    ul {
      list-style: none;
      margin: 6px 0 0;
      padding: 0;
    }
    li {
      border-top: 1px solid #d9d9d9;
      padding: 6px 0;
      overflow-wrap: anywhere;
    }
    p {
      margin: 0;
    }
    .written {
      margin: 4px 0;
      padding: 2px 10px;
      border-left: 2px solid #1a1a1a;
      white-space: pre-line;
    }
    .when {
      margin-left: 8px;
    }
    .acts {
      display: flex;
      gap: 16px;
      padding-top: 4px;
    }
  `,
})
export class AsideList {
  readonly #store = inject(Store);
  readonly closed = output();
  protected readonly aside = this.#store.selectSignal(siteFeature.selectAside);

  /** Returns the text in an edit, for copying; empty if it has none. */
  protected written({ ops }: Change): string {
    return ops
      .flatMap((op) => (op.op !== 'set' ? [] : isWords(op.value) ? [plainText(op.value)] : []))
      .join('\n')
      .slice(0, SHOWN);
  }

  protected again(id: string): void {
    this.#store.dispatch(SiteActions.tryAside({ id, fresh: freshId('c') }));
  }
  protected forget(id: string): void {
    this.#store.dispatch(SiteActions.forgetAside({ id }));
  }
}

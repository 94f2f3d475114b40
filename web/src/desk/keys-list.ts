import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { KEYS, type Key } from '../ui/index.ts';
import { Drawer } from './drawer.ts';

/** All keys, on `?`. */
@Component({
  selector: 'yo-keys-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Drawer],
  template: `<yo-drawer title="Shortcuts" (closed)="closed.emit()"
    ><dl>
      @for (key of keys; track key.shown) {
        <dt class="mono">{{ key.shown }}</dt>
        <dd>{{ key.does }}</dd>
      }
    </dl></yo-drawer
  >`,
  styles: `
    dl {
      display: grid;
      grid-template-columns: 150px 1fr;
      row-gap: 2px;
    }
  `,
})
export class KeysList {
  readonly closed = output();
  protected readonly keys: readonly Key[] = Object.values(KEYS);
}

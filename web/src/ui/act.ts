import { ChangeDetectionStrategy, Component, ViewEncapsulation, booleanAttribute, input } from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NZ_SPACE_COMPACT_ITEM_TYPE } from 'ng-zorro-antd/space';
import { IconSign, type Icon } from './icon.ts';

/**
 * Something that acts when it is pressed: a hairline box, 28 px high, with a verb,
 * and an icon where the act is a frequent one. One a screen may be the main thing
 * to do, filled with ink. With `aria-pressed` it is something that is on or off.
 */
@Component({
  selector: 'button[yo-act]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  imports: [IconSign],
  // Providers are not inherited.
  providers: [{ provide: NZ_SPACE_COMPACT_ITEM_TYPE, useValue: 'btn' }],
  template: `@if (icon(); as name) {
      <yo-icon [name]="name" />
    }
    <ng-content />`,
  host: {
    class: 'yo-act',
    '[attr.type]': 'submits() ? "submit" : "button"',
    '[class.ant-btn-primary]': 'main()',
    '[class.yo-slight]': 'slight()',
    '[class.yo-quiet]': 'quiet()',
  },
})
export class Act extends NzButtonComponent {
  readonly icon = input<Icon>();
  /** The one thing that this screen is for. */
  readonly main = input(false, { transform: booleanAttribute });
  readonly submits = input(false, { transform: booleanAttribute });
  /** In the row of a list: 24 px high, without a box until it is pointed at or has the focus. */
  readonly slight = input(false, { transform: booleanAttribute });

  /** A command beside the main one: text with an icon, without a box until it is pointed at or has the focus. */
  readonly quiet = input(false, { transform: booleanAttribute });

  // The library wraps words in elements of its own, for motions that there are none of here; Angular would lose sight
  // of them.
  override insertSpan(): void {
    /* Words stay as they are. */
  }
}

import { CdkMenu, CdkMenuItem, CdkMenuTrigger } from '@angular/cdk/menu';
import { ChangeDetectionStrategy, Component, ViewEncapsulation, input, output } from '@angular/core';
import { Act } from './act.ts';
import { IconSign } from './icon.ts';

/** One act of a menu. */
export interface MenuAct {
  readonly id: string;
  readonly label: string;
}

/**
 * Acts on one thing that are used seldom, one press away. Of the CDK, whose menus are gone through by arrow keys and by
 * letters.
 */
@Component({
  selector: 'yo-acts-menu',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  imports: [CdkMenu, CdkMenuItem, CdkMenuTrigger, Act, IconSign],
  template: `
    <button yo-act quiet [cdkMenuTriggerFor]="menu" [attr.aria-label]="label()">
      {{ words() }}<yo-icon name="more" />
    </button>
    <ng-template #menu
      ><div class="yo-menu" cdkMenu [attr.aria-label]="label()">
        @for (act of acts(); track act.id) {
          <button type="button" cdkMenuItem (cdkMenuItemTriggered)="chosen.emit(act.id)">{{ act.label }}</button>
        }
      </div></ng-template
    >
  `,
})
export class ActsMenu {
  readonly acts = input.required<readonly MenuAct[]>();
  /** The accessible label, which names the target of the commands. */
  readonly label = input.required<string>();
  /** The text of its button. */
  readonly words = input('More');
  readonly chosen = output<string>();
}

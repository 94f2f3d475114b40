import { CdkMenu, CdkMenuItem, CdkMenuItemCheckbox, CdkMenuItemSelectable, CdkMenuTrigger } from '@angular/cdk/menu';
import {
  ChangeDetectionStrategy,
  Component,
  Directive,
  ViewEncapsulation,
  booleanAttribute,
  input,
  output,
} from '@angular/core';
import { Act } from '../act.ts';
import { IconSign } from '../icon.ts';

/** An entry that is one of several: pressed by mouse or Enter it leaves the menu open as well, which the CDK closes. */
@Directive({
  selector: 'button[yoCheck]',
  providers: [
    { provide: CdkMenuItemSelectable, useExisting: Check },
    { provide: CdkMenuItem, useExisting: CdkMenuItemSelectable },
  ],
})
export class Check extends CdkMenuItemCheckbox {
  override trigger(): void {
    super.trigger({ keepOpen: true });
  }
}

/** Several of many, chosen in a menu that stays open: of the CDK, gone through by arrow keys and by letters. */
@Component({
  selector: 'yo-checks-menu',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  imports: [Act, CdkMenu, CdkMenuTrigger, Check, IconSign],
  template: `
    <button
      yo-act
      slight
      [cdkMenuTriggerFor]="menu"
      [attr.aria-label]="label()"
      [attr.aria-pressed]="pressed() || null"
    >
      {{ words() }}<yo-icon name="more" />
    </button>
    <ng-template #menu
      ><div class="yo-menu" cdkMenu [attr.aria-label]="label()">
        @for (option of options(); track option.value) {
          <button
            type="button"
            yoCheck
            [cdkMenuItemChecked]="chosen().has(option.value)"
            (cdkMenuItemTriggered)="turned.emit(option.value)"
          >
            <span class="yo-tick" aria-hidden="true">{{ chosen().has(option.value) ? '✓' : '' }}</span>{{
              option.label
            }}
          </button>
        }
      </div></ng-template
    >
  `,
  styles: `
    .yo-tick {
      display: inline-block;
      width: 16px;
    }
  `,
})
export class ChecksMenu {
  readonly label = input.required<string>();
  /** The words on the button; none beside a name that says it. */
  readonly words = input('');
  readonly options = input.required<readonly { readonly value: string; readonly label: string }[]>();
  readonly chosen = input.required<ReadonlySet<string>>();
  /** True if it holds something back. */
  readonly pressed = input(false, { transform: booleanAttribute });
  readonly turned = output<string>();
}

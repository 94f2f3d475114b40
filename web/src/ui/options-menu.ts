import {
  CdkMenu,
  CdkMenuGroup,
  CdkMenuItem,
  CdkMenuItemCheckbox,
  CdkMenuItemRadio,
  CdkMenuTrigger,
} from '@angular/cdk/menu';
import { ChangeDetectionStrategy, Component, ViewEncapsulation, booleanAttribute, input, output } from '@angular/core';
import { Act } from './act.ts';
import { IconSign, type Icon } from './icon.ts';
import type { Key } from './keys.ts';

/** An entry of a menu: a command, something that is on or off, or one of several choices. */
export interface MenuOption {
  readonly id: string;
  readonly label: string;
  /** With `on` it is a check, or a choice if `one` is set. */
  readonly on?: boolean;
  readonly single?: true;
  readonly key?: Key;
}

/** Entries under a common name, which is shown if there is one. */
export interface OptionGroup {
  readonly label?: string;
  readonly options: readonly MenuOption[];
}

/**
 * Commands and settings that are used seldom, one press away, in groups. Of the CDK, whose menus are walked by arrow
 * keys and by letters.
 */
@Component({
  selector: 'yo-options',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  imports: [Act, CdkMenu, CdkMenuGroup, CdkMenuItem, CdkMenuItemCheckbox, CdkMenuItemRadio, CdkMenuTrigger, IconSign],
  template: `
    <button
      yo-act
      quiet
      [icon]="icon()"
      [cdkMenuTriggerFor]="menu"
      [attr.aria-label]="label() || null"
      [attr.aria-pressed]="pressed() || null"
    >
      {{ words() }}<yo-icon name="more" />
    </button>
    <ng-template #menu>
      <div class="yo-menu yo-options" cdkMenu [attr.aria-label]="label() || words()">
        @for (group of groups(); track $index) {
          <div cdkMenuGroup role="group" [attr.aria-label]="group.label">
            @if (group.label) {
              <p class="head" aria-hidden="true">{{ group.label }}</p>
            }
            @for (option of group.options; track option.id) {
              @if (option.single) {
                <button
                  type="button"
                  cdkMenuItemRadio
                  [cdkMenuItemChecked]="option.on ?? false"
                  (cdkMenuItemTriggered)="chosen.emit(option.id)"
                >
                  <span class="yo-tick" aria-hidden="true">{{ option.on ? '•' : '' }}</span><span>{{
                    option.label
                  }}</span>
                </button>
              } @else if (option.on !== undefined) {
                <button
                  type="button"
                  cdkMenuItemCheckbox
                  [cdkMenuItemChecked]="option.on"
                  (cdkMenuItemTriggered)="chosen.emit(option.id)"
                >
                  <span class="yo-tick" aria-hidden="true">{{ option.on ? '✓' : '' }}</span><span>{{
                    option.label
                  }}</span>
                  @if (option.key) {
                    <kbd>{{ option.key.shown }}</kbd>
                  }
                </button>
              } @else {
                <button type="button" cdkMenuItem (cdkMenuItemTriggered)="chosen.emit(option.id)">
                  <span class="yo-tick"></span><span>{{ option.label }}</span>
                  @if (option.key) {
                    <kbd>{{ option.key.shown }}</kbd>
                  }
                </button>
              }
            }
          </div>
        }
      </div>
    </ng-template>
  `,
  styles: `
    .yo-options {
      min-width: 220px;
      max-height: 80vh;
      padding: 4px 0;
    }
    .yo-options .head {
      padding: 6px 12px 2px 28px;
    }
    .yo-options > div + div {
      border-top: 1px solid #d9d9d9;
      margin-top: 4px;
      padding-top: 4px;
    }
    .yo-options > div {
      display: flex;
      flex-direction: column;
    }
    .yo-options button {
      display: flex;
      align-items: baseline;
      padding: 4px 12px;
      color: #1a1a1a;
    }
    .yo-options .yo-tick {
      display: inline-block;
      flex: none;
      width: 16px;
    }
    .yo-options kbd {
      margin-left: auto;
      padding-left: 16px;
      color: #5a5a5a;
      font: inherit;
    }
  `,
})
export class OptionsMenu {
  readonly groups = input.required<readonly OptionGroup[]>();
  /** The text of its button. */
  readonly words = input('More');
  /** The accessible label, where the text alone does not name the menu. */
  readonly label = input('');
  readonly icon = input<Icon>();
  /** True if one of its settings is not as usual. */
  readonly pressed = input(false, { transform: booleanAttribute });
  /** The id of the entry that was pressed. */
  readonly chosen = output<string>();
}

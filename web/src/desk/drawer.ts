import { A11yModule } from '@angular/cdk/a11y';
import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { ACTS, KEYS } from '../ui/index.ts';

/** A drawer that hangs from the top line until it is closed: a title, and what stands on it. */
@Component({
  selector: 'yo-drawer',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, A11yModule],
  template: `
    <div
      class="drawer"
      role="dialog"
      aria-modal="true"
      [attr.aria-label]="title()"
      [style.width.px]="width()"
      cdkTrapFocus
      cdkTrapFocusAutoCapture
      (keydown.escape)="closed.emit(); $event.stopPropagation()"
    >
      <div class="top">
        <h2 class="strong">{{ title() }}</h2>
        <button yo-act icon="close" yoTip="Closes this" [yoKey]="keyOf.back" (click)="closed.emit()">Close</button>
      </div>
      <div class="on"><ng-content /></div>
    </div>
  `,
  styles: `
    :host {
      position: fixed;
      right: 20px;
      top: 40px;
      z-index: 20;
    }
    .drawer {
      background: #fff;
      color: #1a1a1a;
      border: 1px solid #1a1a1a;
      padding: 10px 16px 14px;
      max-height: calc(100vh - 90px);
      overflow: auto;
    }
    .top {
      display: flex;
      justify-content: space-between;
      align-items: center;
      padding-bottom: 6px;
    }
    .on {
      border-top: 1px solid #d9d9d9;
      padding-top: 6px;
    }
  `,
})
export class Drawer {
  readonly title = input.required<string>();
  readonly width = input(400);
  readonly closed = output();
  protected readonly keyOf = KEYS;
}

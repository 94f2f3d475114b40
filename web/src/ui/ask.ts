import { A11yModule } from '@angular/cdk/a11y';
import { OverlayModule, type ConnectedPosition } from '@angular/cdk/overlay';
import {
  ChangeDetectionStrategy,
  Component,
  booleanAttribute,
  computed,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { Act } from './act.ts';
import { Choice, type ChoiceOption } from './choice.ts';

const BESIDE: ConnectedPosition[] = [
  { originX: 'start', originY: 'top', overlayX: 'start', overlayY: 'bottom', offsetY: -6 },
  { originX: 'end', originY: 'top', overlayX: 'end', overlayY: 'bottom', offsetY: -6 },
  { originX: 'start', originY: 'bottom', overlayX: 'start', overlayY: 'top', offsetY: 6 },
  { originX: 'end', originY: 'bottom', overlayX: 'end', overlayY: 'top', offsetY: 6 },
];

/**
 * Deletes something. Where something would be lost it asks first, beside the button: what stands on it,
 * and what takes its place. The CDK's overlay and trap of the focus: the library's confirmation
 * has no room for a choice, and lets the focus out.
 */
@Component({
  selector: 'yo-delete',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [A11yModule, OverlayModule, Act, Choice],
  template: `
    <button
      yo-act
      #origin="cdkOverlayOrigin"
      cdkOverlayOrigin
      icon="trash"
      [slight]="slight()"
      [quiet]="quiet()"
      [attr.aria-label]="slight() ? 'Delete ' + name() : null"
      [attr.aria-expanded]="open()"
      (click)="press()"
    >
      {{ slight() ? '' : label() }}
    </button>
    <ng-template
      cdkConnectedOverlay
      [cdkConnectedOverlayOrigin]="origin"
      [cdkConnectedOverlayOpen]="open()"
      [cdkConnectedOverlayPositions]="beside"
      [cdkConnectedOverlayPush]="true"
      cdkConnectedOverlayHasBackdrop
      cdkConnectedOverlayBackdropClass="cdk-overlay-transparent-backdrop"
      (backdropClick)="keep()"
      (detach)="keep()"
    >
      <div
        class="ask"
        role="dialog"
        [attr.aria-label]="'Delete ' + name()"
        cdkTrapFocus
        cdkTrapFocusAutoCapture
        (keydown.escape)="keep(); $event.stopPropagation()"
      >
        <p>{{ words() }}</p>
        @if (options().length) {
          <yo-choice
            label="Replacement"
            [value]="replacement()"
            [options]="options()"
            [width]="180"
            (chosen)="replacement.set($event)"
          />
        }
        <p class="acts">
          <button yo-act (click)="go()">Delete {{ name() }}</button><button yo-act (click)="keep()">Cancel</button>
        </p>
      </div>
    </ng-template>
  `,
  styles: `
    :host {
      display: inline-flex;
    }
    .ask {
      display: flex;
      flex-direction: column;
      gap: 8px;
      max-width: 380px;
      padding: 10px 12px;
      background: #fff;
      color: #1a1a1a;
      border: 1px solid #1a1a1a;
      overflow-wrap: anywhere;
    }
    .acts {
      display: flex;
      gap: 8px;
    }
  `,
})
export class Delete {
  /** The name of the item to delete. */
  readonly name = input.required<string>();
  readonly label = input('Delete');
  /** The loss in words; empty if nothing is lost, and then it is deleted at once. */
  readonly words = input.required<string>();
  /** The possible replacements; empty if none is needed. */
  readonly options = input<readonly ChoiceOption[]>([]);
  readonly quiet = input(false, { transform: booleanAttribute });
  readonly slight = input(false, { transform: booleanAttribute });
  /** With what takes its place, or an empty text. */
  readonly done = output<string>();
  /** It was asked for, before anything is shown. */
  readonly asked = output();
  protected readonly beside = BESIDE;
  protected readonly open = signal(false);
  protected readonly replacement = linkedSignal(() => this.options()[0]?.value ?? '');
  readonly #silent = computed(() => this.words() === '' && this.options().length === 0);

  protected press(): void {
    this.asked.emit();
    if (this.#silent()) this.done.emit('');
    else this.open.set(!this.open());
  }
  protected go(): void {
    this.open.set(false);
    this.done.emit(this.options().length ? this.replacement() : '');
  }
  protected keep(): void {
    this.open.set(false);
  }
}

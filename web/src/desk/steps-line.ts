import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Store } from '@ngrx/store';
import { DeskActions, LitScope, STEPS, stepLabel, auditFeature, deskFeature, type Step } from '../state/index.ts';
import { ACTS, KEYS, Pull } from '../ui/index.ts';
import { OpenCounts } from './open-counts.ts';

/**
 * The line between wall and desk: the eight steps in working order, with what is still open in each; it drags up and
 * down.
 */
@Component({
  selector: 'yo-steps-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Pull],
  template: `
    <div
      class="grip"
      role="separator"
      aria-orientation="horizontal"
      aria-label="Height of the desk"
      [attr.aria-valuenow]="height()"
      aria-valuemin="60"
      aria-valuemax="1200"
      tabindex="0"
      yoPull
      (pulling)="pulled.emit($event.y)"
      (keydown)="nudge($event)"
    ></div>
    <nav aria-label="Steps">
      <ol>
        @for (step of steps(); track step.id; let i = $index) {
          <li>
            <button yo-pick [class.now]="step.now" [attr.aria-current]="step.now ? 'step' : null" (click)="go(step.id)">
              <span class="num">{{ i + 1 }}</span> <span>{{ step.label }}</span>
              @if (step.open) {
                <span class="open">{{ step.open }}<span class="sr"> open</span></span>
              }
            </button>
          </li>
        }
      </ol>
    </nav>
    <span class="says" role="status">{{ lit.words() }}</span>
  `,
  styleUrl: './steps-line.less',
})
export class StepsLine {
  readonly #store = inject(Store);
  protected readonly lit = inject(LitScope);
  readonly #open = inject(OpenCounts).counts;
  readonly #step = this.#store.selectSignal(deskFeature.selectStep);
  readonly #report = this.#store.selectSignal(auditFeature.selectReport);
  readonly height = input.required<number>();
  readonly pulled = output<number>();
  readonly nudged = output<number>();
  protected readonly steps = computed(() => {
    this.#report();
    return STEPS.map((id) => ({ id, label: stepLabel(id), now: id === this.#step(), open: this.#open()[id] ?? 0 }));
  });

  protected go(step: Step): void {
    this.#store.dispatch(DeskActions.step({ step }));
  }

  protected nudge(event: KeyboardEvent): void {
    const by = KEYS.height.by(event);
    if (by !== 0) this.nudged.emit(24 * by);
  }
}
